-- What an owner was asked and said of the work on their tree; the newest counts.
create table consent (
    id          bigint      generated always as identity primary key,
    tree_id     bigint      not null references tree on delete cascade,
    plan        integer,
    limits      text        check (length(limits) between 1 and 500),
    state       text        not null check (state in ('asked', 'given', 'refused')),
    asked_by    bigint      references person,
    asked_at    timestamptz not null default now(),
    answered_by bigint      references person,
    answered_at timestamptz,
    good_until  date,
    said        text        check (length(said) between 1 and 500),
    check ((state = 'asked') = (answered_at is null))
);
create index consent_of_tree on consent (tree_id, id desc);

-- How content an owner was with a year's work: 1 not at all, 5 wholly.
create table contentment (
    tree_id   bigint  not null references tree on delete cascade,
    person_id bigint  not null references person,
    year      integer not null check (year between 1900 and 2200),
    grade     integer not null check (grade between 1 and 5),
    said      text    check (length(said) between 1 and 500),
    primary key (tree_id, person_id, year)
);
