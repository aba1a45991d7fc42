-- Calendar programs cannot sign in: an address of one's own for a site, dead with the membership it belongs to.
create table calendar_link (
    person_id bigint      not null,
    site_id   bigint      not null,
    hash      text        not null unique,
    made_at   timestamptz not null default now(),
    primary key (person_id, site_id),
    foreign key (person_id, site_id) references membership on delete cascade
);
