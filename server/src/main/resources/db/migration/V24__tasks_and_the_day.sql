-- In which crew somebody is on a day; null where crews were not laid out.
alter table work_day_person add column crew integer check (crew >= 1);

-- Work besides cuts: entered by hand, or taken up out of what seasons and work done ask for (source_key says which of that).
create table task (
    id              bigint generated always as identity primary key,
    version         integer not null default 1,
    site_id         bigint  not null references site on delete cascade,
    tree_id         bigint references tree on delete cascade,
    limb            text check (length(limb) between 1 and 40),
    species         text,
    kind            text    not null,
    title           text    not null check (length(title) between 1 and 200),
    opens           date    not null,
    closes          date    not null check (closes >= opens),
    minutes         integer not null check (minutes between 0 and 6000),
    people          integer not null check (people between 1 and 20),
    kit             text[]  not null,
    source          text    not null check (source in ('care', 'work', 'wound', 'hand')),
    source_key      text,
    repeats_months  integer check (repeats_months between 1 and 120),
    -- Of a treatment: what, how much as its label says, when again, and how long nothing is picked.
    substance       text check (length(substance) between 1 and 120),
    label_rate      text check (length(label_rate) between 1 and 120),
    interval_days   integer check (interval_days between 1 and 365),
    harvest_days    integer check (harvest_days between 0 and 365),
    note            text check (length(note) between 1 and 500),
    made_by         bigint references person,
    work_day_id     bigint references work_day on delete set null,
    place           integer not null default 0,
    crew            integer check (crew >= 1),
    starts          time,
    ends            time,
    done_on         date,
    done_by         bigint references person,
    done_note       text check (length(done_note) between 1 and 500),
    check ((done_on is null) = (done_by is null)),
    check ((crew is null) = (starts is null) and (starts is null) = (ends is null))
);
create unique index task_once on task (site_id, coalesce(tree_id, 0), source_key) where source_key is not null;
create index task_of_site on task (site_id, closes);
create index task_of_day on task (work_day_id);

-- When people came and went on a day.
create table day_attendance (
    id          bigint generated always as identity primary key,
    work_day_id bigint      not null references work_day on delete cascade,
    person_id   bigint      not null references person on delete cascade,
    came_at     timestamptz not null,
    went_at     timestamptz check (went_at >= came_at),
    entered_by  bigint references person
);
create index attendance_of_day on day_attendance (work_day_id);

-- What was answered before the first cut of a day; the last answers count, by whom and when.
create table day_first_list (
    work_day_id bigint      primary key references work_day on delete cascade,
    answers     jsonb       not null,
    said_by     bigint references person,
    said_at     timestamptz not null default now()
);

-- What went wrong, or nearly.
create table incident (
    id          bigint generated always as identity primary key,
    site_id     bigint      not null references site on delete cascade,
    work_day_id bigint references work_day on delete set null,
    tree_id     bigint references tree on delete set null,
    on_date     date        not null,
    near_miss   boolean     not null,
    what        text        not null check (length(what) between 1 and 1000),
    who         text check (length(who) between 1 and 200),
    hurt        text check (length(hurt) between 1 and 500),
    done        text check (length(done) between 1 and 1000),
    follows     text check (length(follows) between 1 and 1000),
    entered_by  bigint references person,
    entered_at  timestamptz not null default now()
);
create index incident_of_site on incident (site_id, on_date);
