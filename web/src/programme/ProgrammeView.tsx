import { useState } from 'react';
import { Button, Form, ProgressBar } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Programme, ProgrammeHours, ProgrammeTree } from '../api/client';
import { atWork, useCancelJob } from '../api/jobs';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { minutes, percent, personMinutes, words } from '../parts/format';
import { decimal } from '../parts/fields';
import { useAskOnce } from '../parts/useAskOnce';
import { useTitle } from '../parts/useTitle';
import { SEASONS } from '../vocabulary/verdict';
import { useKeepHours, useProgramme, useProgrammeJob, useSetTree, useStartProgramme } from './queries';

const hoursOf = (count: number) =>
  count < 0.25 && count > 0
    ? minutes(Math.max(1, Math.round(count * 60)))
    : (Math.round(count * 10) / 10).toLocaleString('en-GB') + ' h';

/** The work of the whole orchard by years and seasons, against the hours there are. */
export function ProgrammeView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const programme = useProgramme(siteId);
  useTitle('Programme');
  if (!site.data || !programme.data) return <Loading error={site.error ?? programme.error} />;
  const { slots, putOff } = programme.data;
  const southern = site.data.data.latitude < 0;
  const label = (year: number) =>
    southern ? year + '/' + String((year + 1) % 100).padStart(2, '0') : String(year);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1 className="mb-0">Programme</h1>
        <span className="faint">{site.data.data.name}</span>
        <span className="ms-auto d-flex flex-wrap gap-2 no-print">
          <Replan siteId={siteId} />
          <a className="btn btn-sm btn-outline-primary" href={'/api/sites/' + siteId + '/programme.csv'}>
            Table (CSV)
          </a>
          <Button size="sm" variant="outline-primary" onClick={() => window.print()}>
            Print
          </Button>
        </span>
      </div>
      <p className="mb-2">
        What is dangerous goes at once, whatever the hours. Trees begun are carried through, kept trees are
        kept up, and trees of a group begin together. Then what gains most for each hour goes first.
      </p>
      {slots.length === 0 && (
        <p>
          No tree has a plan yet. <Link to={'/sites/' + siteId + '/walk'}>Walk to one</Link>: its plan follows
          at once.
        </p>
      )}
      {slots.length > 0 && (
        <>
          <Hours siteId={siteId} programme={programme.data} key={JSON.stringify(programme.data.hours)} />
          <Slots programme={programme.data} siteId={siteId} />
          {putOff.length > 0 && <PutOff programme={programme.data} siteId={siteId} />}
          <Trees programme={programme.data} siteId={siteId} label={label} />
        </>
      )}
    </>
  );
}

function Replan({ siteId }: { siteId: number }) {
  const job = useProgrammeJob(siteId);
  const start = useStartProgramme(siteId);
  const cancel = useCancelJob();
  if (job && atWork(job))
    return (
      <span className="d-flex gap-2 align-items-center" role="status">
        <ProgressBar
          style={{ width: '8rem' }}
          now={job.done}
          max={job.total}
          aria-label="Planning anew"
          label={job.state === 'waiting' ? 'waits' : job.done + ' of ' + job.total}
        />
        <Button size="sm" variant="outline-danger" onClick={() => cancel.mutate(job.id)}>
          Stop
        </Button>
      </span>
    );
  return (
    <>
      <ProblemAlert error={start.error} />
      {job?.state === 'failed' && <span className="state urgent">{job.problem}</span>}
      <Button size="sm" variant="outline-primary" disabled={start.isPending} onClick={() => start.mutate()}>
        Plan all anew
      </Button>
    </>
  );
}

/** More hours than this in a season are asked about (our own assumption). */
const MANY_HOURS = 1_000;

/** Hours volunteers have, by season; the same every year unless a year is given its own. */
function Hours({ siteId, programme }: { siteId: number; programme: Programme }) {
  const keep = useKeepHours(siteId);
  const ask = useAskOnce();
  const seasons = [
    ...new Set([
      ...programme.slots.map((slot) => slot.season),
      ...programme.hours.map((one) => one.season),
      ...programme.hoursWorked.map((one) => one.season),
    ]),
  ];
  const [typed, setTyped] = useState<Record<string, string>>(
    Object.fromEntries(
      programme.hours.filter((one) => one.year === 0).map((one) => [one.season, String(one.hours)]),
    ),
  );
  const others = programme.hours.filter((one) => one.year !== 0);
  const worked = programme.hoursWorked;
  const save = () => {
    const every: ProgrammeHours[] = seasons.flatMap((season) =>
      typed[season]?.trim() ? [{ year: 0, season, hours: decimal(typed[season])! }] : [],
    );
    const many = every.find((one) => one.hours > MANY_HOURS);
    ask.sure(many && many.hours + ' hours in one season are very many.', () =>
      keep.mutate([...every, ...others]),
    );
  };
  return (
    <Form
      className="d-flex flex-wrap gap-3 align-items-end mb-3 no-print"
      aria-label="Hours"
      onSubmit={(e) => {
        e.preventDefault();
        save();
      }}
    >
      <span className="w-100">
        <strong>Volunteers’ hours each year, of all people together</strong>
        <span className="small faint d-block">
          {worked.length > 0
            ? 'Logged in the last twelve months: ' +
              worked.map((one) => hoursOf(one.hours) + ' ' + SEASONS[one.season]).join(', ') +
              '. '
            : 'None were logged in the last twelve months. '}
          {worked.length > 0 && (
            <Button
              size="sm"
              variant="link"
              className="p-0 align-baseline"
              onClick={() =>
                setTyped(Object.fromEntries(worked.map((one) => [one.season, String(one.hours)])))
              }
            >
              Take these
            </Button>
          )}{' '}
          Left empty, a season has as many as it wants.
        </span>
      </span>
      {seasons.map((season) => (
        <Form.Group key={season} controlId={'hours-' + season}>
          <Form.Label className="mb-0 small">{SEASONS[season]}</Form.Label>
          <Form.Control
            type="number"
            size="sm"
            min={0}
            step={0.5}
            style={{ width: '6rem' }}
            value={typed[season] ?? ''}
            onChange={(e) => setTyped({ ...typed, [season]: e.target.value })}
          />
        </Form.Group>
      ))}
      <Button type="submit" size="sm" disabled={keep.isPending}>
        Lay it out
      </Button>
      {ask.question}
      <ProblemAlert error={keep.error} />
    </Form>
  );
}

function Slots({ programme, siteId }: { programme: Programme; siteId: number }) {
  const keep = useKeepHours(siteId);
  const most = Math.max(...programme.slots.map((slot) => Math.max(slot.minutes, (slot.hours ?? 0) * 60)), 1);
  return (
    <table className="table table-sm programme">
      <thead>
        <tr>
          <th>Year and season</th>
          <th>Work against hours</th>
          <th className="no-print">Hours that year</th>
          <th>Trees</th>
        </tr>
      </thead>
      <tbody>
        {programme.slots.map((slot, i) => {
          const hours = slot.hours ?? undefined;
          return (
            <tr
              key={slot.year + slot.season}
              className={slot.year !== programme.slots[i - 1]?.year ? 'new-year' : undefined}
            >
              <td>
                <strong>{slot.yearLabel}</strong> {SEASONS[slot.season]}
              </td>
              <td>
                <svg
                  className="hours-bar"
                  viewBox="0 0 200 14"
                  preserveAspectRatio="xMinYMid"
                  role="img"
                  aria-label={
                    hoursOf(slot.minutes / 60) +
                    ' of work' +
                    (hours === undefined ? '' : ', ' + hoursOf(hours) + ' there')
                  }
                >
                  <rect
                    width={(slot.minutes / most) * 196}
                    height={10}
                    y={2}
                    fill={slot.over ? 'var(--rust)' : 'var(--damson)'}
                  />
                  {hours !== undefined && (
                    <line
                      x1={((hours * 60) / most) * 196}
                      x2={((hours * 60) / most) * 196}
                      y1={0}
                      y2={14}
                      stroke="var(--ink)"
                      strokeWidth={2}
                    />
                  )}
                </svg>
                <div className="small">
                  {hoursOf(slot.minutes / 60)}
                  {hours !== undefined && <span className="faint"> of {hoursOf(hours)}</span>}
                  {slot.over && <span className="state urgent ms-1">more than there are</span>}
                </div>
              </td>
              <td className="no-print">
                <HoursThatYear programme={programme} slot={slot} keep={keep.mutate} busy={keep.isPending} />
              </td>
              <td className="tags">
                {slot.trees.map((tree) => (
                  <Link key={tree.id} to={'/sites/' + siteId + '/trees/' + tree.id}>
                    {tree.tag}
                  </Link>
                ))}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** Hours of one year where they are not those of every year; empty is as in every year. */
function HoursThatYear({
  programme,
  slot,
  keep,
  busy,
}: {
  programme: Programme;
  slot: Programme['slots'][number];
  keep: (hours: ProgrammeHours[]) => void;
  busy: boolean;
}) {
  const at = (year: number) =>
    programme.hours.find((one) => one.year === year && one.season === slot.season)?.hours;
  const had = at(slot.year);
  const [typed, setTyped] = useState(had === undefined ? '' : String(had));
  const save = () => {
    if (typed.trim() === (had === undefined ? '' : String(had))) return;
    const others = programme.hours.filter((one) => one.year !== slot.year || one.season !== slot.season);
    keep(typed.trim() ? [...others, { year: slot.year, season: slot.season, hours: Number(typed) }] : others);
  };
  return (
    <Form.Control
      type="number"
      size="sm"
      min={0}
      step={0.5}
      style={{ width: '8rem' }}
      aria-label={'Hours ' + slot.yearLabel + ' ' + SEASONS[slot.season]}
      placeholder={at(0) === undefined ? 'as wanted' : 'as every year'}
      disabled={busy}
      value={typed}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={save}
      onKeyDown={(e) => e.key === 'Enter' && save()}
    />
  );
}

function PutOff({ programme, siteId }: { programme: Programme; siteId: number }) {
  return (
    <section aria-label="Put off">
      <h2>Put off for want of hours</h2>
      <ul className="mb-3">
        {programme.putOff.map((tree) => (
          <li key={tree.id}>
            <Link to={'/sites/' + siteId + '/trees/' + tree.id}>{tree.tag}</Link>{' '}
            {tree.years == null
              ? 'finds no hours in the years looked at'
              : 'by ' + tree.years + (tree.years === 1 ? ' year' : ' years')}
            , {personMinutes(tree.minutes)} of work.
            {tree.inLight != null &&
              tree.inLightAfter != null &&
              tree.inLightAfter > tree.inLight + 0.005 && (
                <span>
                  {' '}
                  Until then {percent(tree.inLight)} of its fruiting wood has light enough instead of{' '}
                  {percent(tree.inLightAfter)}.
                </span>
              )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Trees({
  programme,
  siteId,
  label,
}: {
  programme: Programme;
  siteId: number;
  label: (year: number) => string;
}) {
  const set = useSetTree();
  const first = Math.min(...programme.slots.map((slot) => slot.year));
  return (
    <section aria-label="Trees">
      <h2>Tree by tree</h2>
      <ProblemAlert error={set.error} />
      <table className="table table-sm programme-trees">
        <thead>
          <tr>
            <th>Tree</th>
            <th>Kind</th>
            <th className="num">Work</th>
            <th className="num">Then each year</th>
            <th>Begins</th>
            <th className="no-print">Set to</th>
          </tr>
        </thead>
        <tbody>
          {programme.trees.map((tree) => (
            <tr key={tree.id}>
              <td>
                <Link to={'/sites/' + siteId + '/trees/' + tree.id}>{tree.tag}</Link>
              </td>
              <td>
                {words(tree.species)}
                {tree.group && <span className="faint"> in {tree.group}</span>}
              </td>
              <td className="num">{tree.minutes ? personMinutes(tree.minutes) : ''}</td>
              <td className="num faint">{tree.upkeepMinutes ? personMinutes(tree.upkeepMinutes) : ''}</td>
              <td>{begins(tree)}</td>
              <td className="no-print">
                {tree.first != null && (
                  <Form.Select
                    size="sm"
                    aria-label={'Year in which ' + tree.tag + ' begins'}
                    style={{ width: 'auto' }}
                    disabled={set.isPending}
                    value={tree.setTo ?? ''}
                    onChange={(e) =>
                      set.mutate({
                        version: tree.setVersion,
                        treeId: tree.id,
                        year: e.target.value ? Number(e.target.value) : undefined,
                      })
                    }
                  >
                    <option value="">by the hours</option>
                    {Array.from({ length: 6 }, (_, i) => first + i).map((year) => (
                      <option key={year} value={year}>
                        {label(year)}
                      </option>
                    ))}
                  </Form.Select>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function begins(tree: ProgrammeTree): string {
  if (tree.first == null) return tree.minutes ? 'at once' : 'nothing to do';
  if (tree.begins == null) return 'no hours';
  return (
    tree.beginsLabel +
    (tree.setTo != null
      ? ', set by hand'
      : tree.begun
        ? ', begun'
        : tree.begins > tree.first
          ? ', put off'
          : '')
  );
}
