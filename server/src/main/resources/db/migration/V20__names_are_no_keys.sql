-- A row whose key changes keeps out even those who only refer to it, and with the queue of judging between them each waited for
-- the other. Nothing refers to a name or a tag, so they are unique without being keys: a partial index is none.
alter table site drop constraint site_name_key;
create unique index site_name_once on site (name) where name <> '';
alter table tree drop constraint tree_site_id_tag_key;
create unique index tree_tag_once on tree (site_id, tag) where tag <> '';
