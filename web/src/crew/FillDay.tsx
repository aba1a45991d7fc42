import { Alert, Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Day, DayProposal, ProposedCrew } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { personMinutes } from '../parts/format';
import { TICKET_NAMES } from '../vocabulary/crew';
import { FillHead, FoundNoPlace } from './FillParts';
import { minuteOf } from './board';
import { type DayAction } from './dayQueries';
import { useProposal, usePropose, useStopProposing, useThrowProposalAway } from './rosterQueries';

/** Crews, trees, order and clock proposed for a day, bettered while one looks; nothing changes before it is taken over. */
export function FillDay({ day, run, busy }: { day: Day; run: (action: DayAction) => void; busy: boolean }) {
  const proposal = useProposal(day.id);
  const propose = usePropose(day.id);
  const stop = useStopProposing(day.id);
  const away = useThrowProposalAway(day.id);
  const roster = proposal.data?.roster;
  const looking = !!proposal.data?.looking;
  const stands = day.visits.some((visit) => visit.crew != null && !visit.logged);
  return (
    <section aria-label="Fill the day" className="fill-day mb-3">
      <FillHead
        title="Fill the day"
        propose={
          roster ? 'Propose anew' : stands ? 'Mend it, and fill what is free' : 'Propose crews and trees'
        }
        looking={looking}
        found={!!roster}
        busy={propose.isPending || away.isPending}
        onPropose={() => propose.mutate()}
        onStop={() => stop.mutate()}
        onThrowAway={() => away.mutate()}
      />
      {!roster && !looking && (
        <p className="faint mb-0">
          {stands
            ? 'Around what stands and what is done, with as little change as can be: for whoever drops out or comes after all.'
            : 'From those who come or said they can, and from what is open that day. What stands on the day stays; what the programme puts off is not offered.'}
        </p>
      )}
      {roster && <Proposed day={day} roster={roster} busy={busy || looking} run={run} />}
      <ProblemAlert error={propose.error ?? stop.error ?? away.error ?? proposal.error} />
    </section>
  );
}

function Proposed({
  day,
  roster,
  busy,
  run,
}: {
  day: Day;
  roster: NonNullable<DayProposal['roster']>;
  busy: boolean;
  run: (action: DayAction) => void;
}) {
  const takeOver = (crews: ProposedCrew[]) => run({ do: 'take-over', crews: crews.map((crew) => crew.crew) });
  return (
    <>
      {roster.missing.map((ticket) => (
        <Alert key={ticket} variant="warning" className="py-2 mb-1">
          Nobody who comes holds a current{' '}
          {ticket === 'leader' ? TICKET_NAMES['lead'] : TICKET_NAMES['first-aid']} ticket: nobody works
          without.
        </Alert>
      ))}
      <div className="proposed-crews">
        {roster.crews.map((crew) => (
          <article key={crew.crew} aria-label={'Crew ' + crew.crew} className="sheet-box">
            <div className="d-flex flex-wrap gap-2 align-items-baseline">
              <h3 className="mb-0">Crew {crew.crew}</h3>
              <span>
                <strong>{crew.people[0]?.name}</strong> leads
                {crew.people.slice(1).map((one) => (
                  <span key={one.id}>, {one.name}</span>
                ))}
              </span>
              {roster.crews.length > 1 && (
                <Button
                  size="sm"
                  variant="outline-primary"
                  className="ms-auto"
                  disabled={busy}
                  onClick={() => takeOver([crew])}
                >
                  Take this crew
                </Button>
              )}
            </div>
            <Hours crew={crew} starts={day.data.starts} ends={day.data.ends} />
            <ol className="turns">
              {crew.turns.map((turn) => (
                <li key={turnKey(turn)}>
                  <span className="clock">
                    {turn.starts}–{turn.ends}
                  </span>{' '}
                  {turn.treeId == null ? (
                    <strong>{turn.tag}</strong>
                  ) : (
                    <Link to={'/sites/' + day.siteId + '/trees/' + turn.treeId}>{turn.tag}</Link>
                  )}{' '}
                  <span className="faint">{personMinutes(turn.minutes)}</span>{' '}
                  {turn.urgent && <State code="urgent" word="urgent" />}{' '}
                  {turn.visitId == null && turn.taskId == null && <span className="faint">new</span>}
                  {turn.shoots != null && turn.shoots > 0 && (
                    <span className="faint">; {turn.shoots} young shoots</span>
                  )}
                  {turn.leaves.length > 0 && (
                    <span className="faint">; without {turn.leaves.join(', ')}: nobody holds the ticket</span>
                  )}
                </li>
              ))}
            </ol>
          </article>
        ))}
      </div>
      {roster.crews.length > 0 && (
        <Button size="sm" disabled={busy} onClick={() => takeOver(roster.crews)}>
          Take it over
        </Button>
      )}
      {roster.leftOut.length > 0 && (
        <p className="mt-2 mb-1">In no crew: {roster.leftOut.map((one) => one.name).join(', ')}.</p>
      )}
      <FoundNoPlace left={roster.left} />
    </>
  );
}

const turnKey = (turn: ProposedCrew['turns'][number]) =>
  turn.taskId != null ? 'task' + turn.taskId : turn.visitId != null ? 'visit' + turn.visitId : turn.tag;

/** A crew's day over the hours. */
function Hours({ crew, starts, ends }: { crew: ProposedCrew; starts: string; ends: string }) {
  const from = minuteOf(starts);
  const whole = minuteOf(ends) - from;
  const at = (time: string) => ((minuteOf(time) - from) / whole) * 100;
  return (
    <div className="crew-hours" aria-hidden>
      {crew.turns.map((turn) => (
        <span
          key={turnKey(turn)}
          style={{ left: at(turn.starts) + '%', width: at(turn.ends) - at(turn.starts) + '%' }}
          className={turn.urgent ? 'urgent' : ''}
        >
          {at(turn.ends) - at(turn.starts) > 9 ? turn.tag : ''}
        </span>
      ))}
    </div>
  );
}
