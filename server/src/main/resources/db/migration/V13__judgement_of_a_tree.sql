-- What the last judgement of a tree said stands in one place; a survey keeps what the tree was judged to be when it was saved.
alter table tree_outlook rename to tree_judgement;
alter index tree_outlook_good_until rename to tree_judgement_good_until;
alter table tree_judgement
    add triage         text check (triage in ('refer', 'take-out', 'rest', 'renovate', 'maintain')),
    add urgent_limbs   integer not null default 0 check (urgent_limbs >= 0),
    add light          double precision check (light between 0 and 1),
    add in_light       double precision check (in_light between 0 and 1),
    add in_light_after double precision check (in_light_after between 0 and 1);
update tree_judgement j set light = l.light, in_light = l.in_light, in_light_after = l.in_light_after
from tree_light l where l.tree_id = j.tree_id;
update tree_judgement j set triage = s.triage, urgent_limbs = s.urgent_limbs
from tree t join lateral (select triage, urgent_limbs from survey where tree_id = t.id order by surveyed_on desc, id desc limit 1) s on true
where t.id = j.tree_id;
drop table tree_light;

alter table survey rename column triage to judged_as;
alter table survey alter column judged_as drop not null;
alter table survey drop column urgent_limbs;

-- A limb is decided about in one place: where both say something, the later stays.
delete from limb_decision d using tree_plan p
where p.tree_id = d.tree_id and exists (
    select from jsonb_array_elements(case jsonb_typeof(p.edits -> 'decided') when 'array' then p.edits -> 'decided' end) e
    where e ->> 'limb' = d.limb and (e ->> 'on')::date >= d.decided_on);
update tree_plan p set edits = jsonb_set(p.edits, '{decided}', (
    select coalesce(jsonb_agg(e), '[]') from jsonb_array_elements(p.edits -> 'decided') e
    where not exists (select from limb_decision d where d.tree_id = p.tree_id and d.limb = e ->> 'limb')))
where jsonb_typeof(p.edits -> 'decided') = 'array';
