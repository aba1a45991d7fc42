create table person (
    id   bigint generated always as identity primary key,
    name text not null unique check (name = btrim(name) and length(name) between 1 and 80)
);

create table site (
    id               bigint generated always as identity primary key,
    name             text             not null unique check (name = btrim(name) and length(name) between 1 and 80),
    latitude         double precision not null check (latitude between -90 and 90),
    longitude        double precision not null check (longitude between -180 and 180),
    time_zone        text             not null,
    monthly_mean_c   double precision[] not null check (cardinality(monthly_mean_c) = 12),
    monthly_rain_mm  double precision[] not null check (cardinality(monthly_rain_mm) = 12 and 0 <= all (monthly_rain_mm)),
    allowance        text             not null check (allowance in ('quarter', 'third')),
    summer_allowance double precision not null check (summer_allowance between 0 and 1),
    big_cuts         integer          not null check (big_cuts between 0 and 5),
    pome             text             not null check (pome in ('late-winter', 'late-summer')),
    apricot          text             not null check (apricot in ('dry-summer', 'bud-swell', 'winter-sealed')),
    peach            text             not null check (peach in ('bud-swell', 'after-picking', 'leaf-fall')),
    fig              text             not null check (fig in ('whole', 'by-limb')),
    bend             text             not null check (bend in ('slanting', 'level')),
    sealing          text             not null check (sealing in ('none', 'stone-fruit')),
    version          integer          not null default 1
);

create table tree (
    id              bigint generated always as identity primary key,
    site_id         bigint           not null references site,
    tag             text             not null check (tag = btrim(tag) and length(tag) between 1 and 40),
    species         text             not null check (species in (
        'apple', 'pear', 'quince', 'medlar', 'plum', 'sweet-cherry', 'sour-cherry', 'apricot', 'peach', 'nectarine',
        'fig', 'persimmon', 'citrus', 'pomegranate', 'gooseberry', 'red-currant', 'black-currant', 'mulberry', 'walnut')),
    cultivar        text,
    rootstock       text,
    planted_year    integer check (planted_year between 1600 and 2200),
    bearing         text             not null check (bearing in ('spur', 'tip', 'part-tip', 'unknown')),
    form            text check (form in ('open-centre', 'central-leader', 'fan', 'espalier', 'cordon', 'hedge', 'bush', 'natural')),
    form_wanted     text check (form_wanted in ('open-centre', 'central-leader', 'fan', 'espalier', 'cordon', 'hedge', 'bush', 'natural')),
    mains_wanted    integer check (mains_wanted between 1 and 60),
    purpose         text             not null check (purpose in ('picking', 'wildlife', 'beauty', 'shade', 'underplanting')),
    east_m          double precision not null check (east_m between -5000 and 5000),
    north_m         double precision not null check (north_m between -5000 and 5000),
    target_height_m double precision check (target_height_m > 0 and target_height_m <= 60),
    clearance_m     double precision check (clearance_m between 0 and 20),
    in_container    boolean          not null default false,
    note            text check (length(note) <= 2000),
    version         integer          not null default 1,
    unique (site_id, tag)
);

-- The survey as its file gives it; what lists and maps need of it is kept beside it.
create table survey (
    id             bigint generated always as identity primary key,
    tree_id        bigint           not null references tree,
    surveyed_on    date             not null,
    surveyed_by    bigint           not null references person,
    document       jsonb            not null,
    height_m       double precision not null check (height_m > 0),
    spread_m       double precision not null check (spread_m > 0),
    trunk_girth_cm double precision not null check (trunk_girth_cm > 0),
    triage         text             not null check (triage in ('refer', 'take-out', 'rest', 'renovate', 'maintain')),
    urgent_limbs   integer          not null check (urgent_limbs >= 0),
    saved_at       timestamptz      not null default now(),
    version        integer          not null default 1
);

create index survey_newest on survey (tree_id, surveyed_on desc, id desc);

create table survey_draft (
    tree_id   bigint      not null references tree,
    person_id bigint      not null references person,
    document  jsonb       not null,
    version   integer     not null default 1,
    saved_at  timestamptz not null default now(),
    primary key (tree_id, person_id)
);

-- Who changed what, and what it was before and after. Rows are added and never altered.
create table history (
    id          bigint generated always as identity primary key,
    at          timestamptz not null default now(),
    person_id   bigint references person,
    site_id     bigint references site,
    tree_id     bigint references tree,
    entity      text        not null,
    entity_id   bigint      not null,
    action      text        not null check (action in ('added', 'changed', 'imported')),
    before_json jsonb,
    after_json  jsonb
);

create index history_of_tree on history (tree_id, id desc);
create index history_of_site on history (site_id, id desc);

create function history_stands() returns trigger language plpgsql as $$
begin
    raise exception 'history is only added to';
end $$;

create trigger history_stands before update or delete on history for each statement execute function history_stands();
