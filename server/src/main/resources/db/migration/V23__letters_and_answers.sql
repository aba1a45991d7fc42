-- What was proposed before is looked for anew: of each tree that found no place it is kept now whether it stands on the day.
delete from day_proposal;

-- A mail address besides what else reaches somebody.
alter table person_contact
    drop constraint person_contact_check,
    add column mail text check (length(mail) between 3 and 200),
    add check (contact is not null or emergency is not null or mail is not null);

-- Who was asked whether they come on a day, and what they said. Hours are said with yes; all day where there are none.
create table day_invitation (
    work_day_id bigint      not null references work_day on delete cascade,
    person_id   bigint      not null references person on delete cascade,
    invited_by  bigint references person,
    invited_at  timestamptz not null default now(),
    answer      text check (answer in ('yes', 'perhaps', 'no')),
    from_time   time,
    until_time  time check (until_time > from_time),
    remark      text check (length(remark) between 1 and 300),
    answered_at timestamptz,
    -- The address of this house as whoever invited saw it: letters that nobody presses for lead there.
    at_address  text        not null default '',
    reminded_at timestamptz,
    -- What they were told last of their crew and trees.
    told        text,
    primary key (work_day_id, person_id),
    check ((answer is null) = (answered_at is null)),
    check ((from_time is null) = (until_time is null))
);

-- Addresses by which somebody answers without a password; every letter brings one of its own, and all of them hold.
create table day_answer_link (
    secret_hash text   primary key,
    work_day_id bigint not null,
    person_id   bigint not null,
    foreign key (work_day_id, person_id) references day_invitation on delete cascade
);

-- What was written to people, as it was sent or would be.
create table letter (
    id          bigint generated always as identity primary key,
    site_id     bigint      not null references site on delete cascade,
    person_id   bigint      not null references person on delete cascade,
    work_day_id bigint references work_day on delete set null,
    kind        text        not null check (kind in ('invitation', 'told', 'changed', 'reminder', 'off')),
    mail_to     text,
    subject     text        not null,
    body        text        not null,
    link        text        not null,
    eml         bytea       not null,
    made_at     timestamptz not null default now(),
    -- by-hand: no mail address is known; kept: no mail server is named, so it goes no further than this table
    state       text        not null check (state in ('by-hand', 'kept', 'waiting', 'sent', 'given-up')),
    tries       integer     not null default 0,
    try_after   timestamptz not null default now(),
    failure     text
);
create index letter_of_site on letter (site_id, id);
create index letter_waiting on letter (try_after) where state = 'waiting';
