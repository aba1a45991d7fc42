import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { SeasonProposal } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { counted, date, personMinutes, weekday } from '../parts/format';
import { FillHead, FoundNoPlace } from './FillParts';
import { useSeasonAction, useSeasonProposal } from './rosterQueries';

/** All days to come filled together, bettered while one looks; nothing changes before it is taken over. */
export function FillSeason({ siteId }: { siteId: number }) {
  const proposal = useSeasonProposal(siteId);
  const act = useSeasonAction(siteId);
  const days = proposal.data?.days ?? [];
  if (days.length === 0) return null;
  const looking = !!proposal.data?.looking;
  const found = days.filter((day) => day.roster);
  return (
    <section aria-label="Fill the season" className="fill-day mb-3">
      <FillHead
        title="Fill the season"
        propose={
          found.length > 0 ? 'Propose anew' : 'Propose crews and trees for ' + counted(days.length, 'day')
        }
        looking={looking}
        found={found.length > 0}
        busy={act.isPending}
        onPropose={() => act.mutate('propose')}
        onStop={() => act.mutate('stop')}
        onThrowAway={() => act.mutate('throw-away')}
      />
      {found.length === 0 && !looking && (
        <p className="faint mb-0">
          Every tree goes on the day that suits it best, with who can come then. Confirmed days stay as they
          are.
        </p>
      )}
      {found.length > 0 && (
        <>
          <div className="table-responsive">
            <table className="table table-sm season-days">
              <thead>
                <tr>
                  <th>Day</th>
                  <th>Crews</th>
                  <th>Trees</th>
                  <th>Work</th>
                  <th>Wanting</th>
                </tr>
              </thead>
              <tbody>
                {days.map((day) => (
                  <DayFilled key={day.dayId} day={day} siteId={siteId} />
                ))}
              </tbody>
            </table>
          </div>
          <Button size="sm" disabled={looking || act.isPending} onClick={() => act.mutate('take-over')}>
            Take it over
          </Button>
          <FoundNoPlace left={days.flatMap((day) => day.roster?.left ?? [])} />
        </>
      )}
      <ProblemAlert error={act.error ?? proposal.error} />
    </section>
  );
}

type Filled = SeasonProposal['days'][number];

function DayFilled({ day, siteId }: { day: Filled; siteId: number }) {
  const crews = day.roster?.crews ?? [];
  const turns = crews.flatMap((crew) => crew.turns);
  const wanting = [
    ...(day.roster?.missing ?? []).map((one) => 'no ' + one.replace('-', ' ')),
    ...((day.roster?.leftOut ?? []).length > 0
      ? ['in no crew: ' + day.roster!.leftOut.map((one) => one.name).join(', ')]
      : []),
  ];
  return (
    <tr>
      <td>
        <Link to={'/sites/' + siteId + '/days/' + day.dayId}>
          {weekday(day.on)} {date(day.on)}
        </Link>
      </td>
      <td>
        {crews.map((crew) => crew.people[0]?.name + ' and ' + (crew.people.length - 1)).join('; ') || 'none'}
      </td>
      <td>{turns.map((turn) => turn.tag).join(', ')}</td>
      <td>{turns.length > 0 && personMinutes(turns.reduce((sum, turn) => sum + turn.minutes, 0))}</td>
      <td>{wanting.join('; ')}</td>
    </tr>
  );
}
