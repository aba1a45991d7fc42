alter table tree
    add column group_name    text check (group_name = btrim(group_name) and length(group_name) between 1 and 80),
    add column habit         text check (habit in ('upright', 'spreading', 'hanging')),
    add column height_set_by text check (height_set_by in ('reach', 'stepladder', 'net-frame', 'building', 'neighbour-light')),
    add column owner         text check (length(owner) between 1 and 80),
    add column owner_wishes  text check (length(owner_wishes) <= 2000),
    add column consent       text check (consent in ('not-needed', 'to-ask', 'given', 'refused'));

-- A survey made without signal is sent under a key of its own, so that sending it twice keeps it once.
alter table survey add column sent_as uuid unique;

-- The light of each tree as it was judged last, for lists and maps.
create table tree_light (
    tree_id        bigint           primary key references tree,
    light          double precision check (light between 0 and 1),
    in_light       double precision check (in_light between 0 and 1),
    in_light_after double precision check (in_light_after between 0 and 1)
);

-- Work that takes long, its progress kept so that any server can tell of it.
create table job (
    id         bigint generated always as identity primary key,
    kind       text        not null check (kind in ('light')),
    site_id    bigint      not null references site,
    started_by bigint      not null references person,
    state      text        not null default 'running' check (state in ('running', 'done', 'cancelled', 'failed')),
    done       integer     not null default 0,
    total      integer     not null,
    problem    text,
    started_at timestamptz not null default now(),
    touched_at timestamptz not null default now()
);

create index job_of_site on job (site_id, id desc);

-- The picture itself lies in a file named by its key.
create table photo (
    id       bigint generated always as identity primary key,
    key      uuid        not null unique,
    tree_id  bigint      not null references tree,
    taken_on date        not null,
    spot     text        not null check (length(spot) between 1 and 40),
    note     text check (length(note) <= 500),
    bytes    integer     not null check (bytes > 0),
    width    integer     not null check (width > 0),
    height   integer     not null check (height > 0),
    added_by bigint      not null references person,
    added_at timestamptz not null default now()
);

create index photo_of_tree on photo (tree_id, taken_on desc, id desc);

-- What people think should be done to a limb, each their own, and what the coordinator decided.
create table limb_opinion (
    tree_id   bigint      not null references tree,
    limb      text        not null check (length(limb) between 1 and 40),
    person_id bigint      not null references person,
    verdict   text        not null check (verdict in ('keep', 'bend', 'shorten', 'remove', 'wait')),
    note      text check (length(note) <= 500),
    given_at  timestamptz not null default now(),
    primary key (tree_id, limb, person_id)
);

create table limb_decision (
    tree_id    bigint not null references tree,
    limb       text   not null check (length(limb) between 1 and 40),
    verdict    text   not null check (verdict in ('keep', 'bend', 'shorten', 'remove', 'wait')),
    note       text check (length(note) <= 500),
    decided_by bigint not null references person,
    decided_on date   not null,
    primary key (tree_id, limb)
);

-- Numbers a site goes by instead of the shipped ones.
create table site_figure (
    site_id    bigint           not null references site,
    figure     text             not null,
    value      double precision not null,
    note       text check (length(note) <= 500),
    changed_by bigint           not null references person,
    changed_at timestamptz      not null default now(),
    primary key (site_id, figure)
);
