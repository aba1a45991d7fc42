import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Programme, ProgrammeHours } from '../api/client';
import { decimal } from '../parts/fields';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAskOnce } from '../parts/useAskOnce';
import { SEASONS } from '../vocabulary/verdict';
import { hoursOf } from './hoursOf';
import { useKeepHours } from './queries';

/** More hours than this in a season are asked about (our own assumption). */
const MANY_HOURS = 1_000;

/** Hours volunteers have, by season; the same every year unless a year is given its own. */
export function Hours({ siteId, programme }: { siteId: number; programme: Programme }) {
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
