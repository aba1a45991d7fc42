-- Minutes are person-minutes: what was logged by the clock counts for each of those who did it.
alter table visit_log drop constraint visit_log_minutes_check;
update visit_log g
set minutes = g.minutes * greatest(1, (select count(*) from visit_log_person p where p.visit_log_id = g.id));
alter table visit_log add constraint visit_log_minutes_check check (minutes >= 0);

-- The ordinary yearly cutting of a tree that is kept: in a lane (part of its minutes), on a visit, and year after year
-- from when its plan is done. A tree without any has 0, and no season.
alter table plan_lane add column upkeep_minutes integer not null default 0 check (upkeep_minutes >= 0);
alter table tree_visit add column upkeep_minutes integer not null default 0 check (upkeep_minutes >= 0);
alter table tree_outlook
    add column upkeep_minutes integer not null default 0 check (upkeep_minutes >= 0),
    add column upkeep_season text check (upkeep_minutes = 0 or upkeep_season is not null),
    add column upkeep_from integer check (upkeep_minutes = 0 or upkeep_from is not null);

-- All trees are judged anew: heavy cuts take the time of two, and trees that are kept have work.
delete from tree_outlook;
