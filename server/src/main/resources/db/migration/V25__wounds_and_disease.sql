-- Wounds found on a walk; those of logged cuts are told by the logs, by the limb that was cut.
create table old_wound (
    id          bigint generated always as identity primary key,
    tree_id     bigint not null references tree on delete cascade,
    name        text   not null check (length(name) between 1 and 40),
    on_limb     text check (length(on_limb) between 1 and 40),
    found_on    date   not null,
    diameter_cm double precision not null check (diameter_cm > 0 and diameter_cm <= 200),
    face        text,
    hollow_cm   double precision check (hollow_cm between 0 and 200),
    note        text check (length(note) between 1 and 500),
    found_by    bigint not null references person,
    unique (tree_id, name)
);

-- A later look at a wound, by the limb that was cut or the name it was found under.
create table wound_look (
    id        bigint generated always as identity primary key,
    tree_id   bigint not null references tree on delete cascade,
    wound     text   not null check (length(wound) between 1 and 40),
    looked_on date   not null,
    long_mm   double precision not null check (long_mm between 0 and 3000),
    short_mm  double precision not null check (short_mm between 0 and 3000),
    state     text   not null,
    note      text check (length(note) between 1 and 500),
    looked_by bigint not null references person,
    unique (tree_id, wound, looked_on)
);

-- What was seen of a disease besides walks and logs.
create table disease_seen (
    id      bigint generated always as identity primary key,
    tree_id bigint not null references tree on delete cascade,
    disease text   not null,
    seen_on date   not null,
    state   text   not null,
    limb    text check (length(limb) between 1 and 40),
    note    text check (length(note) between 1 and 500),
    seen_by bigint not null references person,
    unique (tree_id, disease, seen_on)
);

-- How sound a tree's wood was at the end of each year, and today: worked out whenever it is judged.
create table tree_grade (
    tree_id bigint  not null references tree on delete cascade,
    year    integer not null,
    grade   text    not null,
    worst   text    not null,
    primary key (tree_id, year)
);
