-- In which crew and when by the clock a tree has its turn; null where nobody said, or somebody changed the day by hand since.
alter table tree_visit
    add column crew   integer check (crew >= 1),
    add column starts time,
    add column ends   time,
    add check ((crew is null) = (starts is null) and (starts is null) = (ends is null));

-- What was proposed to fill a day with, bettered while one looks; it changes nothing before it is taken over.
create table day_proposal (
    work_day_id bigint      primary key references work_day on delete cascade,
    made_by     bigint      not null references person on delete cascade,
    begun_at    timestamptz not null default now(),
    until       timestamptz not null,
    ended_at    timestamptz,
    roster      jsonb
);
