-- What is left of each job, a row a tree: any server's hands take the next, and a server that goes away leaves it to the others.
create table job_piece (
    job_id  bigint not null references job on delete cascade,
    tree_id bigint not null references tree on delete cascade,
    primary key (job_id, tree_id)
);
update job set state = 'failed', problem = 'The server was stopped while it ran. What was done before holds; start it again.'
where state in ('waiting', 'running');
alter table job drop column touched_at;
