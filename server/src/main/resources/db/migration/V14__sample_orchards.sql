-- An orchard of made-up trees to play with. It may be thrown away, and with it those who came with it and did nothing elsewhere.
alter table site add sample boolean not null default false;
alter table person add sample_site bigint references site on delete set null;
create index person_of_sample on person (sample_site) where sample_site is not null;

-- History is only added to; but nobody will ask for what happened in a sample that is gone.
create or replace function history_stands() returns trigger language plpgsql as $$
begin
    if tg_op = 'DELETE' and (exists (select from site where id = old.site_id and sample)
            or old.entity = 'person' and exists (select from person where id = old.entity_id and sample_site is not null)) then
        return old;
    end if;
    raise exception 'history is only added to';
end $$;
drop trigger history_stands on history;
create trigger history_stands before update or delete on history for each row execute function history_stands();
create trigger history_is_not_emptied before truncate on history for each statement execute function history_stands();

-- What is kept of an orchard is not kept by cascades: only a sample goes, whole and by name.
create function throw_away_sample(thrown bigint) returns boolean language plpgsql as $$
declare one bigint;
begin
    perform from site where id = thrown and sample for update;
    if not found then
        return false;
    end if;
    create temporary table its_tree on commit drop as select id from tree where site_id = thrown;
    create temporary table its_visit on commit drop as select id from tree_visit where tree_id in (select id from its_tree);
    create temporary table its_log on commit drop as select id from visit_log where tree_visit_id in (select id from its_visit);
    create temporary table its_day on commit drop as select id from work_day where site_id = thrown;
    delete from visit_log_person where visit_log_id in (select id from its_log);
    delete from visit_log where id in (select id from its_log);
    delete from tree_visit where id in (select id from its_visit);
    delete from day_note where work_day_id in (select id from its_day);
    delete from work_day_person where work_day_id in (select id from its_day);
    delete from work_day where id in (select id from its_day);
    delete from fruit_year where tree_id in (select id from its_tree);
    delete from limb_decision where tree_id in (select id from its_tree);
    delete from limb_opinion where tree_id in (select id from its_tree);
    delete from photo where tree_id in (select id from its_tree);
    delete from plan_lane where tree_id in (select id from its_tree);
    delete from plan_version where tree_id in (select id from its_tree);
    delete from programme_lock where tree_id in (select id from its_tree);
    delete from report where tree_id in (select id from its_tree);
    delete from survey where tree_id in (select id from its_tree);
    delete from survey_draft where tree_id in (select id from its_tree);
    delete from tree_judgement where tree_id in (select id from its_tree);
    delete from tree_plan where tree_id in (select id from its_tree);
    delete from tree_removal where tree_id in (select id from its_tree);
    delete from what_if where tree_id in (select id from its_tree);
    delete from history where site_id = thrown or tree_id in (select id from its_tree);
    delete from stage_sighting where site_id = thrown;
    delete from care_done where site_id = thrown;
    delete from job where site_id = thrown;
    delete from season_hours where site_id = thrown;
    delete from site_figure where site_id = thrown;
    delete from weather_day where site_id = thrown;
    delete from tree where site_id = thrown;
    for one in select id from person where sample_site = thrown loop
        begin
            delete from history where entity = 'person' and entity_id = one;
            delete from person_ticket where person_id = one;
            delete from person_free_day where person_id = one;
            update sent_once set sent_by = null where sent_by = one;
            delete from person where id = one;
        exception when foreign_key_violation then
            null; -- they did something at another site: they stay
        end;
    end loop;
    delete from site where id = thrown;
    return true;
end $$;
