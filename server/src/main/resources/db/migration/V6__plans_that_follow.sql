-- A plan that nobody keeps follows the judgement: each time that changes it, what it was and is now is written down too.
alter table plan_version alter column made_by drop not null;
alter table plan_version drop constraint plan_version_cause_check;
alter table plan_version
    add constraint plan_version_cause_check check (cause in ('followed', 'kept', 'by-hand', 'proposal')),
    add constraint plan_version_by_people check ((made_by is null) = (cause = 'followed'));
-- Plans are noted when they are next worked out.
delete from tree_outlook;
