-- Changes an archive brought tell what was done elsewhere, to rows with other numbers: they are read and never undone.
-- A negative entity_id stands for such a thing.

-- What a phone sent something under is known again after moving house; here it may be taken by where it was before.
alter table visit_log add column came_as uuid;
alter table survey add column came_as uuid;
alter table photo add column came_as uuid;
