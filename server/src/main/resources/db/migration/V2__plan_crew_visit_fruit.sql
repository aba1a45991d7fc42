alter table history drop constraint history_action_check;
alter table history add constraint history_action_check check (action in ('added', 'changed', 'imported', 'taken-away'));

alter table person
    add column birth_year integer check (birth_year between 1900 and 2100),
    add column note text check (length(note) <= 500),
    add column version integer not null default 1;

create table person_ticket (
    person_id bigint not null references person,
    ticket    text   not null check (ticket in ('lead', 'first-aid', 'ladder', 'pole-saw', 'powered-saw', 'climbing', 'arborist')),
    until     date   not null,
    primary key (person_id, ticket)
);

-- Days on which somebody said they can come.
create table person_free_day (
    person_id bigint not null references person,
    on_date   date   not null,
    primary key (person_id, on_date)
);

-- Cuts moved by hand, as a list; how the rest falls in place is worked out from it.
create table tree_plan (
    tree_id bigint  primary key references tree,
    version integer not null,
    pins    jsonb   not null
);

-- What the judgement of a tree planned, kept for lists; holds until good_until.
create table tree_outlook (
    tree_id    bigint primary key references tree,
    good_until date   not null
);

create table plan_lane (
    tree_id  bigint           not null references tree,
    year     integer          not null,
    season   text             not null,
    opens    date             not null,
    closes   date             not null check (closes >= opens),
    cuts     integer          not null check (cuts >= 0),
    urgent   integer          not null check (urgent >= 0),
    minutes  integer          not null check (minutes >= 0),
    share    double precision not null,
    primary key (tree_id, year, season, opens)
);
create index plan_lane_closes on plan_lane (closes);

create table work_day (
    id      bigint generated always as identity primary key,
    site_id bigint  not null references site,
    on_date date    not null,
    starts  time    not null,
    ends    time    not null check (ends > starts),
    state   text    not null check (state in ('planned', 'confirmed', 'rained-off')),
    shed    jsonb   not null,
    note    text check (length(note) <= 1000),
    version integer not null default 1
);
create index work_day_of_site on work_day (site_id, on_date);

create table work_day_person (
    work_day_id bigint not null references work_day,
    person_id   bigint not null references person,
    primary key (work_day_id, person_id)
);

-- One tree's turn: which cuts, as they were planned when it was made.
create table tree_visit (
    id             bigint generated always as identity primary key,
    tree_id        bigint  not null references tree,
    work_day_id    bigint references work_day,
    place          integer not null default 0,
    cuts           jsonb   not null,
    shoots         integer not null check (shoots >= 0),
    shoots_minutes integer not null check (shoots_minutes >= 0),
    shoots_share   double precision not null check (shoots_share >= 0),
    kit            text[]  not null,
    sick           boolean not null,
    logged         boolean not null default false
);
create index tree_visit_of_day on tree_visit (work_day_id);
create index tree_visit_of_tree on tree_visit (tree_id);

create table tree_visit_person (
    tree_visit_id bigint not null references tree_visit on delete cascade,
    person_id     bigint not null references person,
    primary key (tree_visit_id, person_id)
);

-- What was done and found. A correction is a log of its own that names the one it corrects; the last one counts.
create table visit_log (
    id            bigint generated always as identity primary key,
    tree_visit_id bigint      not null references tree_visit,
    sent_key      uuid        not null unique,
    corrects      bigint      unique references visit_log,
    on_date       date        not null,
    minutes       integer     not null check (minutes between 0 and 6000),
    prunings      text        not null check (prunings in ('chipped', 'stacked', 'carried-off', 'left')),
    shoots        integer     not null check (shoots >= 0),
    note          text check (length(note) <= 2000),
    cuts          jsonb       not null,
    logged_by     bigint      not null references person,
    logged_at     timestamptz not null default now()
);
create index visit_log_of_visit on visit_log (tree_visit_id);
-- One first log a visit, however many phones send one; all others correct it.
create unique index visit_log_first on visit_log (tree_visit_id) where corrects is null;

create table visit_log_person (
    visit_log_id bigint not null references visit_log,
    person_id    bigint not null references person,
    primary key (visit_log_id, person_id)
);

-- Something seen without a survey.
create table report (
    id         bigint generated always as identity primary key,
    tree_id    bigint  not null references tree,
    on_date    date    not null,
    kind       text    not null check (kind in ('broken-limb', 'hanging-limb', 'leaning', 'split', 'fallen', 'disease', 'other')),
    dangerous  boolean not null,
    note       text check (length(note) <= 1000),
    seen_by    bigint  not null references person,
    dealt_on   date,
    dealt_how  text check (length(dealt_how) <= 1000),
    dealt_by   bigint references person,
    version    integer not null default 1,
    check ((dealt_on is null) = (dealt_by is null))
);
create index report_of_tree on report (tree_id);

create table fruit_year (
    tree_id bigint  not null references tree,
    year    integer not null check (year between 1900 and 2200),
    bloom   integer check (bloom between 0 and 5),
    number  integer check (number between 0 and 1000000),
    kilos   double precision check (kilos between 0 and 100000),
    note    text check (length(note) <= 1000),
    by_person bigint not null references person,
    version integer not null default 1,
    primary key (tree_id, year),
    check (bloom is not null or number is not null or kilos is not null)
);

create table tree_removal (
    tree_id     bigint  primary key references tree,
    on_date     date    not null,
    grounds     text    not null check (grounds in ('beyond-saving', 'spreading-disease', 'wrong-place', 'shades-better', 'too-close', 'fell')),
    permission  text    not null check (length(permission) between 1 and 500),
    removed_by  text    not null check (length(removed_by) between 1 and 200),
    replacement text check (length(replacement) <= 500),
    note        text check (length(note) <= 1000),
    recorded_by bigint  not null references person,
    version     integer not null default 1
);
