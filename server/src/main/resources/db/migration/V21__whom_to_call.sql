-- How somebody is reached, and whom to call when something happens to them; gone with the person and never in the history.
create table person_contact (
    person_id bigint primary key references person on delete cascade,
    contact   text check (length(contact) between 1 and 200),
    emergency text check (length(emergency) between 1 and 200),
    check (contact is not null or emergency is not null)
);
