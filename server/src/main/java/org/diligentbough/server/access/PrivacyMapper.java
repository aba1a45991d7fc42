package org.diligentbough.server.access;

import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Select;

/** What is known of somebody, wherever it stands. */
@Mapper
interface PrivacyMapper {

    /** All of it as one JSON text: what they are, what they said, what they did and when. */
    @Select("""
            select jsonb_pretty(jsonb_build_object(
                'person', (select jsonb_build_object('name', p.name, 'birthYear', p.birth_year, 'note', p.note,
                                                     'leftOn', p.left_on) from person p where p.id = #{id}),
                'account', (select jsonb_build_object('login', a.login, 'since', a.made_at) from account a
                            where a.person_id = #{id}),
                'sites', (select coalesce(jsonb_agg(jsonb_build_object('site', s.name, 'role', m.role,
                                                                       'maySurvey', m.may_survey)), '[]')
                          from membership m join site s on s.id = m.site_id where m.person_id = #{id}),
                'ownTrees', (select coalesce(jsonb_agg(t.tag order by t.tag), '[]')
                             from tree_owner o join tree t on t.id = o.tree_id where o.person_id = #{id}),
                'reached', (select jsonb_build_object('mail', c.mail, 'contact', c.contact, 'emergency', c.emergency)
                            from person_contact c where c.person_id = #{id}),
                'tickets', (select coalesce(jsonb_agg(jsonb_build_object('ticket', ticket, 'until', until)), '[]')
                            from person_ticket where person_id = #{id}),
                'canCome', (select coalesce(jsonb_agg(on_date order by on_date), '[]')
                            from person_free_day where person_id = #{id}),
                'days', (select coalesce(jsonb_agg(d.on_date order by d.on_date), '[]')
                         from work_day_person w join work_day d on d.id = w.work_day_id where w.person_id = #{id}),
                'asked', (select coalesce(jsonb_agg(jsonb_build_object('day', d.on_date, 'answer', i.answer, 'from', i.from_time,
                                                                       'until', i.until_time, 'remark', i.remark)
                                                    order by d.on_date), '[]')
                          from day_invitation i join work_day d on d.id = i.work_day_id where i.person_id = #{id}),
                'letters', (select coalesce(jsonb_agg(jsonb_build_object('at', l.made_at, 'to', l.mail_to, 'subject', l.subject)
                                                      order by l.id), '[]')
                            from letter l where l.person_id = #{id}),
                'logs', (select coalesce(jsonb_agg(jsonb_build_object('on', l.on_date, 'tree', t.tag, 'note', l.note)
                                                   order by l.id), '[]')
                         from visit_log l join tree_visit v on v.id = l.tree_visit_id join tree t on t.id = v.tree_id
                         where l.logged_by = #{id}
                            or exists (select from visit_log_person p where p.visit_log_id = l.id and p.person_id = #{id})),
                'surveys', (select coalesce(jsonb_agg(jsonb_build_object('on', s.surveyed_on, 'tree', t.tag) order by s.id), '[]')
                            from survey s join tree t on t.id = s.tree_id where s.surveyed_by = #{id}),
                'reports', (select coalesce(jsonb_agg(jsonb_build_object('on', r.on_date, 'tree', t.tag, 'note', r.note)
                                                      order by r.id), '[]')
                            from report r join tree t on t.id = r.tree_id where r.seen_by = #{id} or r.dealt_by = #{id}),
                'opinions', (select coalesce(jsonb_agg(jsonb_build_object('tree', t.tag, 'limb', o.limb, 'verdict', o.verdict,
                                                                          'note', o.note)), '[]')
                             from limb_opinion o join tree t on t.id = o.tree_id where o.person_id = #{id}),
                'notes', (select coalesce(jsonb_agg(jsonb_build_object('at', n.said_at, 'note', n.note) order by n.id), '[]')
                          from day_note n where n.said_by = #{id}),
                'consents', (select coalesce(jsonb_agg(jsonb_build_object('tree', t.tag, 'state', c.state, 'at', c.answered_at,
                                                                          'until', c.good_until, 'said', c.said)
                                                       order by c.id), '[]')
                             from consent c join tree t on t.id = c.tree_id where c.answered_by = #{id}),
                'contentment', (select coalesce(jsonb_agg(jsonb_build_object('tree', t.tag, 'year', c.year, 'grade', c.grade,
                                                                             'said', c.said)), '[]')
                                from contentment c join tree t on t.id = c.tree_id where c.person_id = #{id}),
                'photos', (select count(*) from photo where added_by = #{id}),
                'changes', (select coalesce(jsonb_agg(jsonb_build_object('at', h.at, 'what', h.entity, 'how', h.action)
                                                      order by h.id), '[]')
                            from history h where h.person_id = #{id}),
                'cameIn', (select coalesce(jsonb_agg(jsonb_build_object('at', e.at, 'what', e.what) order by e.id), '[]')
                           from access_event e where e.person_id = #{id})))
            """)
    String known(long id);

    /** What they are called from now on. */
    @Select(value = "select forget_person(#{id})", affectData = true)
    String forget(long id);
}
