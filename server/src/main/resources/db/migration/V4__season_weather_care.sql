-- The coldest of usual nights and the warmest of usual days, where a site knows them; why it chose its schools.
alter table site
    add column monthly_min_c double precision[] check (cardinality(monthly_min_c) = 12),
    add column monthly_max_c double precision[] check (cardinality(monthly_max_c) = 12),
    add column policy_note   text check (length(policy_note) <= 500),
    add check ((monthly_min_c is null) = (monthly_max_c is null));

-- What somebody saw of the growth of a kind: it moves the windows of that kind at that site.
create table stage_sighting (
    id        bigint generated always as identity primary key,
    site_id   bigint      not null references site,
    species   text        not null,
    tree_id   bigint references tree,
    bbch      integer     not null check (bbch between 0 and 99),
    seen_on   date        not null,
    seen_by   bigint      not null references person,
    noted_at  timestamptz not null default now()
);

create index sighting_of_kind on stage_sighting (site_id, species, seen_on desc);

-- Daily weather from files, forecast or measured; a later file replaces a day.
create table weather_day (
    site_id   bigint           not null references site,
    on_day    date             not null,
    min_c     double precision not null check (min_c between -70 and 60),
    max_c     double precision not null check (max_c between min_c and 60),
    rain_mm   double precision not null check (rain_mm between 0 and 2000),
    wind_kmh  double precision not null check (wind_kmh between 0 and 400),
    file      text             not null check (length(file) between 1 and 200),
    primary key (site_id, on_day)
);

-- Work round the year that was done; the growing year says for which turn.
create table care_done (
    id       bigint generated always as identity primary key,
    site_id  bigint      not null references site,
    task     text        not null check (length(task) between 1 and 40),
    species  text,
    year     integer     not null,
    done_on  date        not null,
    done_by  bigint      not null references person,
    note     text check (length(note) <= 500),
    noted_at timestamptz not null default now(),
    unique nulls not distinct (site_id, task, species, year)
);

-- What a walk tells of growth, to be found without opening every survey. The day stays as written: 2027-02-20.
alter table survey
    add column seen_bbch     integer generated always as ((document #>> '{observedStage,bbch}')::numeric::integer) stored,
    add column seen_bbch_on  text generated always as (document #>> '{observedStage,on}') stored,
    add column still_growing boolean generated always as (document #>> '{tree,stillGrowing}' = 'true') stored;

create index survey_that_saw on survey (tree_id) where seen_bbch is not null or still_growing;
