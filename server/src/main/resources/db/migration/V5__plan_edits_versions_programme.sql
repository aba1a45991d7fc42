-- What people want of a tree's plan: cuts moved, forbidden, added, insisted on, split; years and allowance of its own.
alter table tree_plan add column edits jsonb;
update tree_plan set edits = jsonb_build_object('pins', pins);
alter table tree_plan alter column edits set not null, drop column pins;

-- Plans that were kept, the newest in force. Never changed: what takes a plan's place is a further version.
create table plan_version (
    tree_id bigint      not null references tree,
    number  integer     not null check (number > 0),
    made_at timestamptz not null default now(),
    made_on date        not null,
    made_by bigint      not null references person,
    cause   text        not null check (cause in ('kept', 'by-hand', 'proposal')),
    cuts    jsonb       not null,
    primary key (tree_id, number)
);

-- Hours volunteers have at a site in a season of a pruning year; 0 as year stands for every year not given.
create table season_hours (
    site_id bigint           not null references site,
    year    integer          not null,
    season  text             not null,
    hours   double precision not null check (hours >= 0 and hours <= 100000),
    primary key (site_id, year, season)
);

-- Trees whose work the coordinator set to begin in a pruning year, whatever the hours say.
create table programme_lock (
    tree_id bigint  primary key references tree,
    year    integer not null
);

-- What a programme goes by; kept lanes are worked out anew.
alter table plan_lane
    add column urgent_minutes integer not null default 0,
    add column worth double precision not null default 0;
delete from tree_outlook;

alter table job drop constraint job_kind_check;
alter table job add constraint job_kind_check check (kind in ('light', 'programme'));
