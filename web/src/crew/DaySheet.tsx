import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { TreeSheet } from '../api/client';
import { Loading } from '../parts/Loading';
import { centimetres, date, kilos, metres, personMinutes, weekday, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { asItStands } from '../drawing/projection';
import type { Mark } from '../drawing/marks';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { CUTS, REACHES, TECHNIQUES, TICKETS, TOOLS, VERDICTS } from '../vocabulary/verdict';
import { DayMap } from './DayMap';
import { useSheet } from './queries';
import { DAY_STATES, KIT, TICKET_NAMES } from '../vocabulary/crew';

/** What the crew has in hand: what to bring, the trees in order, each with its drawing, numbered cuts, why and cautions. */
export function DaySheet() {
  const { siteId, dayId } = useParams();
  const sheet = useSheet(Number(dayId));
  useTitle('Sheet of the day');
  if (!sheet.data) return <Loading error={sheet.error} />;
  const { day, bring, trees, site } = sheet.data;
  return (
    <article className="day-sheet">
      <div className="d-flex gap-2 no-print mb-2">
        <Button size="sm" onClick={() => window.print()}>
          Print
        </Button>
        <Link className="btn btn-sm btn-link" to={'/sites/' + siteId + '/days/' + dayId}>
          Back to the day
        </Link>
      </div>
      <header>
        <h1>
          {site}: {weekday(day.data.on)} {date(day.data.on)}, {day.data.starts}–{day.data.ends}{' '}
          <small className="faint">{DAY_STATES[day.state]}</small>
        </h1>
        {day.data.note && <p className="mb-1">{day.data.note}</p>}
        <p className="mb-1">
          <strong>Who comes:</strong>{' '}
          {day.people
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
          ways={[
            trees.map((tree) => ({
              tag: tree.tag,
              eastM: tree.eastM,
              northM: tree.northM,
              spreadM: tree.drawing.spreadM,
            })),
          ]}
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
      {trees.map((tree, i) => (
        <TreeOfSheet key={tree.visitId} tree={tree} number={i + 1} />
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

function TreeOfSheet({ tree, number }: { tree: TreeSheet; number: number }) {
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
        </small>
      </h2>
      {tree.note && <p className="mb-1">{tree.note}</p>}
      <div className="sheet-columns">
        <div>
          {[180, 270].map((view) => (
            <TreeDrawing
              key={view}
              drawing={tree.drawing}
              limbs={limbs}
              standing={asItStands(tree.drawing)}
              view={view}
              marks={numbered(tree)}
            />
          ))}
          <div className="small faint">From the south; from the west.</div>
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
