-- All that is counted of a year's fruit.
alter table fruit_year
    add column fruit_set      integer check (fruit_set between 0 and 5),
    add column thinned        integer check (thinned between 0 and 1000000),
    add column mean_fruit_g   double precision check (mean_fruit_g > 0 and mean_fruit_g <= 5000),
    add column colour         integer check (colour between 0 and 5),
    add column spoilt_share   double precision check (spoilt_share between 0 and 1),
    add column reach_kilos    double precision check (reach_kilos between 0 and 100000),
    add column first_kilos    double precision check (first_kilos between 0 and 100000),
    add column kept_kilos     double precision check (kept_kilos between 0 and 100000),
    add column shared_kilos   double precision check (shared_kilos between 0 and 100000),
    add column given_kilos    double precision check (given_kilos between 0 and 100000),
    add column pressed_kilos  double precision check (pressed_kilos between 0 and 100000);

-- One picking of several in a year.
create table fruit_picking (
    id           bigint generated always as identity primary key,
    tree_id      bigint not null references tree on delete cascade,
    picked_on    date   not null,
    year         integer not null,
    kilos        double precision check (kilos between 0 and 100000),
    number       integer check (number between 0 and 1000000),
    spoilt_kilos double precision check (spoilt_kilos between 0 and 100000),
    note         text check (length(note) between 1 and 500),
    picked_by    bigint not null references person,
    check (kilos is not null or number is not null)
);
create index picking_of_tree on fruit_picking (tree_id, year);

-- What grew back near a wound since it was made, seen at a look.
alter table wound_look
    add column shoots     integer check (shoots between 0 and 5000),
    add column longest_cm double precision check (longest_cm between 0 and 500);

-- What the prunings of a visit weighed, held against what was reckoned.
alter table visit_log add column pile_kilos double precision check (pile_kilos between 0 and 20000);
