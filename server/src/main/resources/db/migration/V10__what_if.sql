-- Plans with other wishes than the tree's, saved beside it to be compared; they change nothing.
create table what_if (
    id        bigint      generated always as identity primary key,
    tree_id   bigint      not null references tree,
    name      text        not null check (name <> ''),
    wish      jsonb       not null,
    made_by   bigint      references person,
    made_on   date        not null,
    unique (tree_id, name)
);

-- Small wood counts for light now: what lists keep of it is reckoned anew.
delete from tree_outlook;
