-- Trees to be judged anew, in their turn. Judging takes one off in the transaction that keeps what came of it.
create table stale_tree (
    tree_id    bigint      primary key references tree on delete cascade,
    since      timestamptz not null default clock_timestamp(),
    tries      integer     not null default 0 check (tries >= 0),
    not_before timestamptz not null default '-infinity'
);
create index stale_tree_turn on stale_tree (not_before, since);
create index tree_outlook_good_until on tree_outlook (good_until);

-- What a judgement said, as lists want it: why the tree stands as it does, and the work of each lane.
alter table tree_outlook add why jsonb;
create table lane_work (
    tree_id bigint not null references tree on delete cascade,
    opens   date   not null,
    closes  date   not null check (closes >= opens),
    work    jsonb  not null
);
create index lane_work_of_tree on lane_work (tree_id);

-- What lists keep has more to it now.
insert into stale_tree (tree_id)
select t.id from tree t
where exists (select from survey s where s.tree_id = t.id)
  and not exists (select from tree_removal r where r.tree_id = t.id);
