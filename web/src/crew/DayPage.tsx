import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Day, Finding, Visit } from '../api/client';
import { useSite } from '../api/orchard';
import { useMay } from '../api/me';
import { Loading } from '../parts/Loading';
import { DECIDE, LEAD } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { date, minutes, personMinutes, weekday, words } from '../parts/format';
import { useAskOnce } from '../parts/useAskOnce';
import { useTitle } from '../parts/useTitle';
import { TICKETS } from '../vocabulary/verdict';
import { AskedPeople } from './AskedPeople';
import { Candidates } from './Candidates';
import { CrewBoard } from './CrewBoard';
import { DayForm } from './DayForm';
import { type DayAction, useDay, useDayAction, useRainOff } from './dayQueries';
import { usePeople } from './peopleQueries';
import { TasksOfDay } from './TasksOfDay';
import { DayNotes } from './DayNotes';
import { FillDay } from './FillDay';
import { WhomToCall } from './Reached';
import { cutsInWords, DAY_STATES, isOff, KIT, TICKET_NAMES } from '../vocabulary/crew';
import { Icon } from '../parts/Icon';
import { DateInput } from '../parts/DateInput';

/** One work day: its trees in order with their people, who comes, and what could still be put on it. */
export function DayPage() {
  const dayId = Number(useParams().dayId);
  const day = useDay(dayId);
  useTitle(day.data && 'Work day ' + date(day.data.data.on));
  if (!day.data) return <Loading error={day.error} />;
  return <TheDay key={dayId} day={day.data} />;
}

function TheDay({ day }: { day: Day }) {
  const act = useDayAction(day.id, day.version);
  const [editing, setEditing] = useState(false);
  const [raining, setRaining] = useState(false);
  const leads = useMay(day.siteId, ...LEAD);
  const decides = useMay(day.siteId, ...DECIDE);
  const open = leads && !isOff(day.state);
  const ask = useAskOnce();
  const site = useSite(day.siteId);
  const at = '/sites/' + day.siteId + '/days/' + day.id;
  const run = (action: DayAction) => act.mutate(action);
  return (
    <>
      <div className="d-flex flex-wrap gap-3 align-items-baseline mb-1">
        <h1 className="mb-0">
          {weekday(day.data.on)} {date(day.data.on)}{' '}
          <small className="faint">
            {day.data.starts}–{day.data.ends}
          </small>
        </h1>
        <State code={day.state} word={DAY_STATES[day.state]!} />
        {day.data.note && <span>{day.data.note}</span>}
        <span className="ms-auto d-flex flex-wrap gap-2">
          {decides && day.state === 'planned' && !day.past && (
            <Button size="sm" disabled={act.isPending} onClick={() => run({ do: 'confirm' })}>
              Confirm
            </Button>
          )}
          {decides && day.state === 'confirmed' && !day.past && (
            <Button
              size="sm"
              variant="outline-primary"
              disabled={act.isPending}
              onClick={() => run({ do: 'reopen' })}
            >
              Open it again
            </Button>
          )}
          <Link className="btn btn-sm btn-outline-primary" to={at + '/sheet'}>
            Sheet to print
          </Link>
          {day.visits.length > 0 && !isOff(day.state) && (
            <Link className="btn btn-sm btn-outline-primary" to={at + '/log'}>
              Log
            </Link>
          )}
          {open && (
            <>
              <Button size="sm" variant="outline-primary" onClick={() => setEditing(!editing)}>
                {editing ? 'Close' : 'Change'}
              </Button>
              <Button size="sm" variant="outline-secondary" onClick={() => setRaining(!raining)}>
                Rained off
              </Button>
              <Button
                size="sm"
                variant="outline-secondary"
                disabled={act.isPending}
                onClick={() =>
                  ask.sure('Calling this day off puts its trees back into their plans.', () =>
                    run({ do: 'call-off' }),
                  )
                }
              >
                Call it off
              </Button>
            </>
          )}
        </span>
      </div>
      {editing && (
        <div className="sheet-box mb-3">
          <DayForm
            start={day.data}
            today={site.data?.today ?? day.data.on}
            button="Save"
            error={act.error}
            saving={act.isPending}
            save={(data) => act.mutateAsync({ do: 'change', data }).then(() => setEditing(false))}
          />
        </div>
      )}
      {raining && <RainOff day={day} />}
      {ask.question}
      {leads && <WhomToCall dayId={day.id} />}
      <DayNotes day={{ siteId: day.siteId, dayId: day.id, on: day.data.on }} />
      {!editing && <ProblemAlert error={act.error} />}
      <Findings
        findings={day.findings.filter((finding) => finding.visitId == null && finding.personId == null)}
      />
      {open && !day.past && <FillDay day={day} run={run} busy={act.isPending} />}
      {(day.visits.some((visit) => !visit.logged) || day.tasks.some((task) => !task.done)) &&
        !isOff(day.state) && <CrewBoard day={day} open={open && !day.past} />}
      <div className="day-page">
        <section aria-label="Trees of the day">
          <h2>
            Trees in order <small className="faint">{total(day)}</small>
          </h2>
          {day.visits.length === 0 && (
            <p>Nothing is on this day yet. {open && 'Put on it what is open then.'}</p>
          )}
          {day.visits.map((visit, i) => (
            <VisitCard
              key={visit.id}
              number={i + 1}
              visit={visit}
              day={day}
              busy={act.isPending}
              run={run}
              fixed={!open || visit.logged}
            />
          ))}
        </section>
        <div>
          <Coming day={day} run={run} busy={act.isPending} fixed={!open} />
          <TasksOfDay day={day} open={open && !day.past} />
          {open && !day.past && <AskedPeople day={day} />}
          {open && !day.past && <Candidates day={day} run={run} busy={act.isPending} />}
        </div>
      </div>
    </>
  );
}

function total(day: Day): string {
  const all = day.visits.reduce((sum, visit) => sum + visit.minutes, 0);
  return all ? personMinutes(all) + ' of work in all' : '';
}

function Findings({ findings }: { findings: Finding[] }) {
  if (findings.length === 0) return null;
  return (
    <ul className="findings" aria-label="To be seen to">
      {findings.map((finding) => (
        <li key={finding.reason.text} className={finding.weight}>
          <Icon name={finding.weight === 'told' ? 'info-circle' : 'exclamation-triangle'} />{' '}
          {finding.reason.text}
          {finding.weight === 'wanted' && <span className="faint"> Before it is confirmed.</span>}
        </li>
      ))}
    </ul>
  );
}

function VisitCard({
  number,
  visit,
  day,
  busy,
  run,
  fixed,
}: {
  number: number;
  visit: Visit;
  day: Day;
  busy: boolean;
  run: (action: DayAction) => void;
  fixed: boolean;
}) {
  const toggle = (person: number) =>
    run({
      do: 'give',
      visitId: visit.id,
      people: visit.people.includes(person)
        ? visit.people.filter((one) => one !== person)
        : [...visit.people, person],
    });
  return (
    <article className="visit-card" aria-label={visit.tag}>
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <span className="order">{number}</span>
        <h3 className="mb-0">
          <Link to={'/sites/' + day.siteId + '/trees/' + visit.treeId}>{visit.tag}</Link>{' '}
          <small className="faint">
            {words(visit.species)} {visit.cultivar}
          </small>
        </h3>
        {visit.sick && <State code="with-care" word="sick: last, clean the blades" />}
        {visit.logged && <State code="yes" word="logged" />}
        {visit.starts && (
          <span>
            crew {visit.crew}, {visit.starts}–{visit.ends}
          </span>
        )}
        <span className="ms-auto">{personMinutes(visit.minutes)}</span>
        {!fixed && (
          <span className="d-flex gap-1">
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={busy}
              aria-label={'Move ' + visit.tag + ' up'}
              onClick={() => run({ do: 'shift', visitId: visit.id, by: -1 })}
            >
              <Icon name="arrow-up" />
            </Button>
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={busy}
              aria-label={'Move ' + visit.tag + ' down'}
              onClick={() => run({ do: 'shift', visitId: visit.id, by: 1 })}
            >
              <Icon name="arrow-down" />
            </Button>
            <Button
              size="sm"
              variant="outline-secondary"
              disabled={busy}
              onClick={() => run({ do: 'take-off', visitId: visit.id })}
            >
              Not on this day
            </Button>
          </span>
        )}
      </div>
      <div className="small">
        {cutsInWords(visit.cuts, visit.shoots, visit.upkeepMinutes, visit.tasks)}
        <span className="faint"> Kit: {visit.kit.map((kit) => KIT[kit]).join(', ') || 'none'}.</span>{' '}
        {visit.tickets.map((ticket) => (
          <State key={ticket} code={ticket === 'arborist' ? 'urgent' : 'with-care'} word={TICKETS[ticket]!} />
        ))}
      </div>
      <Findings findings={day.findings.filter((finding) => finding.visitId === visit.id)} />
      <div className="people-chips" role="group" aria-label={'Who does ' + visit.tag}>
        {day.people.map((person) => (
          <button
            key={person.id}
            type="button"
            disabled={busy || fixed}
            aria-pressed={visit.people.includes(person.id)}
            onClick={() => toggle(person.id)}
          >
            {person.name}
            {visit.tickets.some((ticket) => person.tickets.includes(ticket)) && (
              <Icon name="patch-check" className="ms-1" label="holds a ticket wanted here" />
            )}
          </button>
        ))}
        {day.people.length === 0 && <span className="faint">Say first who comes.</span>}
      </div>
    </article>
  );
}

function Coming({
  day,
  run,
  busy,
  fixed,
}: {
  day: Day;
  run: (action: DayAction) => void;
  busy: boolean;
  fixed: boolean;
}) {
  const people = usePeople(day.siteId);
  const ids = day.people.map((person) => person.id);
  const others = (people.data ?? [])
    .filter((person) => !ids.includes(person.id))
    .sort((a, b) => Number(b.canCome.includes(day.data.on)) - Number(a.canCome.includes(day.data.on)));
  return (
    <section aria-label="Who comes" className="mb-3">
      <h2>Who comes</h2>
      {day.people.length === 0 && <p className="faint mb-1">Nobody yet.</p>}
      <ul className="list-unstyled mb-2">
        {day.people.map((person) => (
          <li key={person.id} className="coming">
            <strong>{person.name}</strong>
            {person.maybeUnderAge && <State code="with-care" word="may be under 18" />}
            <span className="faint small">
              {person.tickets.map((ticket) => TICKET_NAMES[ticket]).join(', ') || 'no ticket'}
              {person.minutes > 0 && '; ' + minutes(person.minutes)}
            </span>
            {!fixed && (
              <Button
                size="sm"
                variant="link"
                className="ms-auto p-0"
                disabled={busy}
                aria-label={person.name + ' does not come'}
                onClick={() => run({ do: 'people', people: ids.filter((id) => id !== person.id) })}
              >
                does not come
              </Button>
            )}
            <Findings
              findings={day.findings.filter(
                (finding) => finding.visitId == null && finding.personId === person.id,
              )}
            />
          </li>
        ))}
      </ul>
      {!fixed && (
        <Form.Select
          size="sm"
          aria-label="Add somebody who comes"
          value=""
          disabled={busy}
          onChange={(e) => run({ do: 'people', people: [...ids, Number(e.target.value)] })}
        >
          <option value="">Add somebody who comes…</option>
          {others.map((person) => (
            <option key={person.id} value={person.id}>
              {person.name}
              {person.canCome.includes(day.data.on) ? ' – can come' : ''}
              {person.tickets.length
                ? ' (' + person.tickets.map((ticket) => TICKET_NAMES[ticket.ticket]).join(', ') + ')'
                : ''}
            </option>
          ))}
        </Form.Select>
      )}
    </section>
  );
}

function RainOff({ day }: { day: Day }) {
  const rain = useRainOff(day.id, day.version);
  const [to, setTo] = useState('');
  return (
    <Alert variant="light" className="sheet-box">
      {rain.data ? (
        <>
          {rain.data.movedTo ? (
            <>
              Moved to{' '}
              <Link to={'/sites/' + day.siteId + '/days/' + rain.data.movedTo.id}>
                {date(rain.data.movedTo.data.on)}
              </Link>
              .{' '}
              {rain.data.backToThePlan.length > 0 &&
                'Not to be cut then, so back to the plan: ' + rain.data.backToThePlan.join(', ') + '.'}
            </>
          ) : (
            <>
              Its trees are back in their plans.{' '}
              <Link to={'/sites/' + day.siteId + '/days'}>Fill the days to come with them</Link>
            </>
          )}
        </>
      ) : (
        <div className="d-flex flex-wrap gap-2 align-items-center">
          <label htmlFor="rain-to">What is not logged moves, with its people, to</label>
          <DateInput id="rain-to" small value={to} onChange={setTo} />
          <Button size="sm" disabled={!to || rain.isPending} onClick={() => rain.mutate(to)}>
            Move
          </Button>
          <Button
            size="sm"
            variant="outline-primary"
            disabled={rain.isPending}
            onClick={() => rain.mutate(undefined)}
          >
            Back to their plans
          </Button>
        </div>
      )}
      <ProblemAlert error={rain.error} />
    </Alert>
  );
}
