-- A number may hold for the trees of one kind alone; without a kind it holds for all that have none of their own.
alter table site_figure add column kind text;
alter table site_figure drop constraint site_figure_pkey;
alter table site_figure add constraint one_figure_a_kind unique nulls not distinct (site_id, figure, kind);

-- Sites that go by what their own records teach without being asked each time.
create table learning (
    site_id   bigint primary key references site on delete cascade,
    always_by bigint      not null references person,
    since     timestamptz not null default now(),
    looked_on date
);

-- What a tree's crop was reckoned to before it was picked, by the fruits counted on it.
create table crop_reckoned (
    tree_id    bigint           not null references tree on delete cascade,
    year       integer          not null,
    counted    integer          not null check (counted between 0 and 100000),
    kilos      double precision check (kilos between 0 and 100000),
    counted_on date             not null,
    counted_by bigint           not null references person,
    primary key (tree_id, year)
);

-- Light in a tree's crown as each walk found it, worked out once; of_surveys tells whether its walks are still the same.
create table walk_light (
    tree_id    bigint           not null references tree on delete cascade,
    walked_on  date             not null,
    light      double precision not null check (light between 0 and 1),
    of_surveys bigint           not null,
    primary key (tree_id, walked_on)
);

-- How much of the fruiting wood that a plan leaves is in light today; known once a tree is judged anew.
alter table tree_judgement add column in_light_staying double precision;
