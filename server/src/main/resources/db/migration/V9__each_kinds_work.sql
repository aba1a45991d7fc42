-- Whether pome and stone fruit are cut in growth too, to keep them small.
alter table site add column in_growth text not null default 'none' check (in_growth in ('none', 'keep-small'));
