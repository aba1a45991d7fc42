-- History is only added to, but for a sample that goes, and for somebody who is forgotten: what was done stays, who it was
-- does not.
create or replace function history_stands() returns trigger language plpgsql as $$
begin
    if tg_op = 'DELETE' and (exists (select from site where id = old.site_id and sample)
            or old.entity = 'person' and exists (select from person where id = old.entity_id and sample_site is not null)) then
        return old;
    end if;
    if tg_op = 'UPDATE' and current_setting('bough.forgetting', true) = 'yes' then
        return new;
    end if;
    raise exception 'history is only added to';
end $$;

-- Takes from the database what is known of somebody and puts "somebody 12" where their name stood. Their number stays with
-- what they did. Sentences people wrote about others are left: nobody can tell a name in them from a word.
create function forget_person(one bigint) returns text language plpgsql as $$
declare
    was text;
    now_called text := 'somebody ' || one;
    quoted text;
    instead text := to_jsonb('somebody ' || one)::text;
begin
    select name into was from person where id = one for update;
    if not found then
        return null;
    end if;
    quoted := to_jsonb(was)::text;
    perform set_config('bough.forgetting', 'yes', true);
    update history
    set before_json = replace((before_json - 'birthYear' - 'note' - 'tickets' - 'canCome')::text, quoted, instead)::jsonb,
        after_json = replace((after_json - 'birthYear' - 'note' - 'tickets' - 'canCome')::text, quoted, instead)::jsonb
    where entity = 'person' and entity_id = one;
    update history
    set before_json = replace(before_json::text, quoted, instead)::jsonb,
        after_json = replace(after_json::text, quoted, instead)::jsonb
    where strpos(before_json::text, quoted) > 0 or strpos(after_json::text, quoted) > 0;
    perform set_config('bough.forgetting', '', true);
    update tree_plan set edits = replace(edits::text, quoted, instead)::jsonb where strpos(edits::text, quoted) > 0;
    update what_if set wish = replace(wish::text, quoted, instead)::jsonb where strpos(wish::text, quoted) > 0;
    update tree set owner = now_called, version = version + 1
    where owner = was and id in (select tree_id from tree_owner where person_id = one);
    update tree_removal set removed_by = now_called where removed_by = was;
    delete from tree_owner where person_id = one;
    delete from person_ticket where person_id = one;
    delete from person_free_day where person_id = one;
    delete from survey_draft where person_id = one;
    delete from invitation where person_id = one;
    delete from access_event where person_id = one;
    delete from membership where person_id = one;
    delete from account where person_id = one;
    delete from spring_session where principal_name = one::text;
    update person set name = now_called, birth_year = null, note = null, left_on = coalesce(left_on, current_date),
        version = version + 1
    where id = one;
    return now_called;
end $$;
