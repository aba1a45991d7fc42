import { useEffect, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { clockMinutes, startClock, stopClock } from './entry';
import type { Entry } from '../field/kept';
import { NumberField } from './inputs';

const TICK_MS = 10_000;

/** Person-minutes by start and stop, or typed; they begin empty, and the clock goes on while the phone is off. */
export function Clock({
  entry,
  planned,
  change,
}: {
  entry: Entry;
  planned: number;
  change: (parts: Partial<Entry>) => void;
}) {
  const [now, setNow] = useState(() => Date.now());
  const people = entry.people.length === 1 ? 'one' : String(Math.max(1, entry.people.length));
  const running = entry.startedAt !== undefined;
  useEffect(() => {
    if (!running) return;
    const tick = window.setInterval(() => setNow(Date.now()), TICK_MS);
    return () => window.clearInterval(tick);
  }, [running]);
  const soFar = Math.floor(
    ((entry.workedMs ?? 0) + (entry.startedAt ? Math.max(0, now - entry.startedAt) : 0)) / 60_000,
  );
  const hint =
    !running && entry.workedMs !== undefined
      ? clockMinutes(entry.workedMs) + ' by the clock, ' + people + ' at it'
      : 'Two people half an hour: 60';
  return (
    <div className="mb-3">
      <div className="d-flex gap-2 align-items-end">
        <div className="flex-grow-1">
          <NumberField
            id="log-minutes"
            label={'Person-minutes, clearing up included; planned ' + planned}
            value={running ? '' : entry.minutes}
            change={(minutes) => change({ minutes, startedAt: undefined, workedMs: undefined })}
          />
        </div>
        <Button
          className="mb-3 text-nowrap"
          variant={running ? 'danger' : 'outline-primary'}
          style={{ minHeight: 48 }}
          onClick={() => change(running ? stopClock(entry, Date.now()) : startClock(Date.now()))}
        >
          {running ? 'Stop, ' + soFar + ' min' : entry.workedMs ? 'Go on' : 'Start'}
        </Button>
      </div>
      <Form.Text className="d-block" style={{ marginTop: '-0.5rem' }}>
        {hint}
      </Form.Text>
    </div>
  );
}
