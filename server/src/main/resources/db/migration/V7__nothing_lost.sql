-- What a phone sends bears a key of the phone's own. Sent again, it is not kept again: what was kept then is answered.
create table sent_once (
    key        uuid primary key,
    what       text        not null check (length(what) between 1 and 200),
    sha256     text        not null check (length(sha256) = 64),
    sent_by    bigint references person,
    sent_at    timestamptz not null default now(),
    kept       bigint
);

-- To tell a picture sent again from another one under the same key; null for those that came before.
alter table photo add column sha256 text check (length(sha256) = 64);

-- One after the other where two people change the same thing. A number is never given twice, so that what was taken away
-- and set anew in between is noticed too.
create sequence edit_version;
alter table limb_decision add column version bigint not null default nextval('edit_version');
alter table programme_lock add column version bigint not null default nextval('edit_version');
alter table site_figure add column version bigint not null default nextval('edit_version');

-- A job waits until its server has hands free; one of a kind at a site at a time.
update job set state = 'failed', problem = 'The server was stopped while it ran. What was done before holds; start it again.'
where state = 'running';
alter table job drop constraint job_state_check;
alter table job alter column state set default 'waiting';
alter table job add constraint job_state_check check (state in ('waiting', 'running', 'done', 'cancelled', 'failed'));
create unique index job_one_of_a_kind on job (site_id, kind) where state in ('waiting', 'running');

-- A day can be called off, a person who left can be taken off the list: what they did still bears their name.
alter table work_day drop constraint work_day_state_check;
alter table work_day add constraint work_day_state_check check (state in ('planned', 'confirmed', 'rained-off', 'called-off'));
alter table person add column left_on date;

-- What was noted of a work day as a whole while it ran; added to, never altered.
create table day_note (
    id          bigint generated always as identity primary key,
    work_day_id bigint      not null references work_day,
    said_by     bigint      not null references person,
    said_at     timestamptz not null default now(),
    note        text        not null check (length(note) between 1 and 1000)
);
create index day_note_of_day on day_note (work_day_id, id);
