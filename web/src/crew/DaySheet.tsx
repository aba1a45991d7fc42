import { Button } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import type { TreeSheet, Visit } from '../api/client';
import { Loading } from '../parts/Loading';
import { centimetres, date, kilos, metres, personMinutes, weekday, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { asItStands, type View } from '../drawing/projection';
import type { Mark } from '../drawing/marks';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { CUTS, REACHES, TECHNIQUES, TICKETS, TOOLS, VERDICTS } from '../vocabulary/verdict';
import { DayMap } from './DayMap';
import { useSheet } from './dayQueries';
import { DAY_STATES, KIT, TICKET_NAMES } from '../vocabulary/crew';

/** What the crew has in hand: what to bring, the trees in order, each with its drawing, numbered cuts, why and cautions. */
export function DaySheet() {
  const { siteId, dayId } = useParams();
  const [params] = useSearchParams();
  const sheet = useSheet(Number(dayId));
  useTitle('Sheet of the day');
  if (!sheet.data) return <Loading error={sheet.error} />;
  const { day, bring, site } = sheet.data;
  const visits = new Map(day.visits.map((visit) => [visit.id, visit]));
  const crews = [...new Set(day.visits.flatMap((visit) => visit.crew ?? []))].sort();
  const ofCrew = (crew: number) =>
    sheet
      .data!.trees.filter((tree) => visits.get(tree.visitId)?.crew === crew)
      .sort((one, other) =>
        visits.get(one.visitId)!.starts!.localeCompare(visits.get(other.visitId)!.starts!),
      );
  const only = crews.find((crew) => String(crew) === params.get('crew'));
  const trees = only === undefined ? sheet.data.trees : ofCrew(only);
  const ways = only !== undefined || crews.length === 0 ? [trees] : crews.map(ofCrew);
  const tasks = day.tasks.filter((task) => only === undefined || task.crew === only);
  return (
    <article className="day-sheet">
      <div className="d-flex gap-2 no-print mb-2">
        <Button size="sm" onClick={() => window.print()}>
          Print
        </Button>
        <a
          className="btn btn-sm btn-outline-primary"
          href={'/api/days/' + dayId + '/pack.pdf' + (only === undefined ? '' : '?crew=' + only)}
          download
        >
          As PDF
        </a>
        <Link className="btn btn-sm btn-link" to={'/sites/' + siteId + '/days/' + dayId}>
          Back to the day
        </Link>
        {crews.map((crew) => (
          <Link key={crew} className="btn btn-sm btn-link" to={'?crew=' + crew}>
            Crew {crew} alone
          </Link>
        ))}
        {only !== undefined && (
          <Link className="btn btn-sm btn-link" to="?">
            All crews
          </Link>
        )}
      </div>
      <header>
        <h1>
          {only !== undefined && 'Crew ' + only + ', '}
          {site}: {weekday(day.data.on)} {date(day.data.on)}, {day.data.starts}–{day.data.ends}{' '}
          <small className="faint">{DAY_STATES[day.state]}</small>
        </h1>
        {day.data.note && <p className="mb-1">{day.data.note}</p>}
        <p className="mb-1">
          <strong>Who comes:</strong>{' '}
          {day.people
            .filter((person) => only === undefined || person.crew === only)
            .map(
              (person) =>
                person.name +
                (person.tickets.length
                  ? ' (' + person.tickets.map((ticket) => TICKET_NAMES[ticket]).join(', ') + ')'
                  : '') +
                (person.maybeUnderAge ? ' – ground and hand tools only' : ''),
            )
            .join('; ') || 'nobody yet'}
        </p>
        <p className="mb-1">
          <strong>Bring:</strong>{' '}
          {Object.entries(bring)
            .map(([kit, count]) => KIT[kit] + ' (' + count + (count === 1 ? ' tree' : ' trees') + ')')
            .join(', ') || 'nothing but hands'}
          ; something to wipe blades with, first-aid kit, a telephone.
        </p>
        <p className="mb-1">
          <strong>Order:</strong>{' '}
          {trees.map((tree, i) => i + 1 + ' ' + tree.tag + (tree.sick ? ' (sick, last)' : '')).join(', ') ||
            'no tree yet'}
        </p>
        <DayMap
          ways={ways.map((way) =>
            way.map((tree) => ({
              tag: tree.tag,
              eastM: tree.eastM,
              northM: tree.northM,
              spreadM: tree.drawing.spreadM,
            })),
          )}
        />
        <ul className="small mb-2">
          <li>Nobody works alone. Nobody stands within twice the length of what is coming down.</li>
          <li>
            On each tree: dead, diseased and damaged wood first, then the big cuts from the top down; then
            step back and look again.
          </li>
          <li>
            No ladder or pole work in wind. Never a powered saw on a ladder. Stop if a nest or a roost is
            found. Local codes come before this sheet.
          </li>
        </ul>
      </header>
      {day.findings.length > 0 && (
        <section className="caution-list mb-2" aria-label="Still to be seen to">
          <strong>Still to be seen to</strong>
          <ul>
            {day.findings.map((finding) => (
              <li key={finding.reason.text}>{finding.reason.text}</li>
            ))}
          </ul>
        </section>
      )}
      {tasks.length > 0 && (
        <section aria-label="Besides cuts">
          <h2>Besides cuts</h2>
          <ul>
            {tasks.map((task) => (
              <li key={task.id}>
                <Box />
                {task.starts && task.starts + ' '}
                {task.tag && task.tag + ': '}
                {task.title}; {personMinutes(task.minutes)}
              </li>
            ))}
          </ul>
        </section>
      )}
      {trees.map((tree, i) => (
        <TreeOfSheet
          key={tree.visitId}
          tree={tree}
          number={i + 1}
          from={trees[i - 1]}
          when={visits.get(tree.visitId)}
        />
      ))}
    </article>
  );
}

export const numbered = (tree: TreeSheet): Map<string, Mark> =>
  new Map(
    tree.cuts.map((cut, i) => [
      cut.limb,
      { kind: cut.kind, alongM: cut.alongM, urgent: cut.urgent, number: i + 1 },
    ]),
  );

/** From where one comes to a tree, as a bearing; from the site's mark to the first. */
export function bearing(
  tree: { eastM: number; northM: number },
  from?: { eastM: number; northM: number },
): number {
  const east = (from?.eastM ?? 0) - tree.eastM;
  const north = (from?.northM ?? 0) - tree.northM;
  return Math.round(((Math.atan2(east, north) * 180) / Math.PI + 360) % 360);
}

const SIDES = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];
const sideOf = (degrees: number) => SIDES[Math.round(degrees / 45) % 8];

function TreeOfSheet({
  tree,
  number,
  from,
  when,
}: {
  tree: TreeSheet;
  number: number;
  from?: TreeSheet;
  when?: Visit;
}) {
  const side = bearing(tree, from);
  const limbs = new Map(tree.limbs.map((limb) => [limb.id, limb]));
  return (
    <section className="sheet-tree" aria-label={tree.tag}>
      <h2>
        {number}. {tree.tag}{' '}
        <small>
          {words(tree.species)} {tree.cultivar}
        </small>{' '}
        <small className="faint">
          {metres(Math.abs(tree.eastM))} {tree.eastM < 0 ? 'west' : 'east'}, {metres(Math.abs(tree.northM))}{' '}
          {tree.northM < 0 ? 'south' : 'north'} of the site’s mark; {personMinutes(tree.minutes)};{' '}
          {tree.people.join(', ') || 'nobody yet'}
          {when?.starts && '; crew ' + when.crew + ', ' + when.starts + '–' + when.ends}
        </small>
      </h2>
      {tree.note && <p className="mb-1">{tree.note}</p>}
      <div className="sheet-columns">
        <div>
          {([side, 'above'] as View[]).map((view) => (
            <TreeDrawing
              key={view}
              drawing={tree.drawing}
              limbs={limbs}
              standing={asItStands(tree.drawing)}
              view={view}
              marks={numbered(tree)}
            />
          ))}
          <div className="small faint">
            From the {sideOf(side)}, where you come from{from ? ' ' + from.tag : ''}; from above.
          </div>
        </div>
        <div>
          <ol className="sheet-cuts">
            {tree.cuts.map((cut) => (
              <li key={cut.limb + cut.kind}>
                <Box />
                <strong>
                  {VERDICTS[cut.kind]} {cut.limb}
                </strong>{' '}
                {CUTS[cut.cut]}
                {cut.sideBranch ? ' ' + cut.sideBranch : ''}
                {cut.alongM > 0 && cut.kind === 'shorten'
                  ? ', ' + metres(cut.alongM) + ' along it'
                  : ''}; {cut.kind !== 'bend' && centimetres(cut.diameterCm) + ' wide, '}
                {metres(cut.heightM)} up, {REACHES[cut.reach]}, {TOOLS[cut.tool]}; {TECHNIQUES[cut.technique]}
                {cut.weightKg >= 5 ? '; about ' + kilos(Math.round(cut.weightKg)) : ''}.{' '}
                {cut.tickets.length > 0 &&
                  'Wants: ' + cut.tickets.map((ticket) => TICKETS[ticket]).join(', ') + '.'}
                {cut.urgent && ' Urgent.'}
                <div className="faint">{cut.reasons[0]?.text}</div>
              </li>
            ))}
          </ol>
          {tree.shoots > 0 && (
            <p className="mb-1">
              <Box />
              Then, for the time left, {tree.shoots} of the upright shoots.
            </p>
          )}
          {tree.tasks?.length > 0 && (
            <ul className="mb-1">
              {tree.tasks.map((task) => (
                <li key={task.code}>
                  <Box />
                  {task.text}
                </li>
              ))}
            </ul>
          )}
          {tree.upkeepMinutes > 0 && (
            <p className="mb-1">
              <Box />
              {tree.cuts.length > 0 ? 'Then the' : 'The'} ordinary yearly cutting: what died, crosses or
              stands upright since the last time, and what grew past its height; about {tree.upkeepMinutes}{' '}
              person-minutes, an estimate from kind, age and size.
            </p>
          )}
          {tree.cautions.length > 0 && (
            <ul className="small sheet-cautions">
              {tree.cautions.map((caution) => (
                <li key={caution.text}>{caution.text}</li>
              ))}
            </ul>
          )}
        </div>
      </div>
    </section>
  );
}

/** To be ticked with a pencil. */
const Box = () => <span className="tick-box" aria-hidden="true" />;
