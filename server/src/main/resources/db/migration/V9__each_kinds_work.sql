-- Whether pome and stone fruit are cut in growth too, to keep them small.
alter table site add column in_growth text not null default 'none' check (in_growth in ('none', 'keep-small'));

-- Yearly work of the kind that is no single limb's, as it was planned: its code, its words and its person-minutes.
alter table tree_visit add column tasks jsonb not null default '[]';

-- All trees are judged anew by their kind's own work.
delete from tree_outlook;
