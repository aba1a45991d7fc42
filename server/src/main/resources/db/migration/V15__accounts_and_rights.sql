-- People of one name at different sites are different people: a name is only of its site.
alter table person drop constraint person_name_key;
create index person_of_name on person (name);

-- Somebody who signs in. Without a login only the phones that were let in by an invitation are theirs.
create table account (
    person_id bigint      primary key references person on delete cascade,
    login     text        unique check (length(login) between 3 and 120 and login = lower(btrim(login))),
    secret    text        check (secret like '{bcrypt}%'),
    enabled   boolean     not null default true,
    founder   boolean     not null default false,
    demo      boolean     not null default false,
    epoch     integer     not null default 1,
    made_at   timestamptz not null default now(),
    check ((login is null) = (secret is null))
);

-- Who belongs to a site, and as what.
create table membership (
    person_id  bigint  not null references person on delete cascade,
    site_id    bigint  not null references site on delete cascade,
    role       text    not null check (role in ('coordinator', 'leader', 'volunteer', 'owner')),
    may_survey boolean not null default false,
    primary key (person_id, site_id)
);
create index membership_of_site on membership (site_id);

-- Until now everybody was everywhere and could walk any tree. Nobody is made coordinator by this: the first one comes in
-- by the address that is printed while there is no account.
insert into membership (person_id, site_id, role, may_survey)
select p.id, s.id, 'volunteer', true
from person p cross join site s
where p.sample_site is null or p.sample_site = s.id;

create table tree_owner (
    tree_id   bigint not null references tree on delete cascade,
    person_id bigint not null references person on delete cascade,
    primary key (tree_id, person_id)
);
create index tree_owner_of_person on tree_owner (person_id);

-- A way in, used once. Only what its secret hashes to is kept.
create table invitation (
    id         bigint      generated always as identity primary key,
    hash       text        not null unique,
    kind       text        not null check (kind in ('join', 'password', 'first')),
    site_id    bigint      references site on delete cascade,
    person_id  bigint      references person on delete cascade,
    made_by    bigint      references person on delete set null,
    made_at    timestamptz not null default now(),
    good_until timestamptz not null,
    used_at    timestamptz,
    revoked_at timestamptz,
    check ((kind = 'first') = (site_id is null and person_id is null))
);
create index invitation_of_site on invitation (site_id);

-- Who came in and who was kept out; gone after ninety days.
create table access_event (
    id        bigint      generated always as identity primary key,
    at        timestamptz not null default now(),
    person_id bigint      references person on delete set null,
    what      text        not null
);
create index access_event_at on access_event (at);

-- As Spring Session lays it out for PostgreSQL (schema-postgresql.sql of spring-session-jdbc).
create table spring_session (
    primary_id            char(36) not null,
    session_id            char(36) not null,
    creation_time         bigint   not null,
    last_access_time      bigint   not null,
    max_inactive_interval integer  not null,
    expiry_time           bigint   not null,
    principal_name        varchar(100),
    constraint spring_session_pk primary key (primary_id)
);
create unique index spring_session_ix1 on spring_session (session_id);
create index spring_session_ix2 on spring_session (expiry_time);
create index spring_session_ix3 on spring_session (principal_name);
create table spring_session_attributes (
    session_primary_id char(36)     not null,
    attribute_name     varchar(200) not null,
    attribute_bytes    bytea        not null,
    constraint spring_session_attributes_pk primary key (session_primary_id, attribute_name),
    constraint spring_session_attributes_fk foreign key (session_primary_id) references spring_session (primary_id) on delete cascade
);
