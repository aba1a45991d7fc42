import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Programme, ProgrammeHours, ProgrammeTree } from '../api/client';
import { personMinutes, words } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { SEASONS } from '../vocabulary/verdict';
import { hoursOf } from './hoursOf';
import { useKeepHours, useSetTree } from './queries';

/** Each season's work against its hours. */
export function Slots({ programme, siteId }: { programme: Programme; siteId: number }) {
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

/** Each tree with when it begins. */
export function Trees({
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
