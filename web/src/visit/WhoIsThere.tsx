import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId, type Attendance, type Day } from '../api/client';
import { useAttendance } from '../crew/dayQueries';
import { usePeople } from '../crew/peopleQueries';
import { attendanceItem } from '../field/items';
import type { Item } from '../field/outbox';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { time } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';

/** Somebody as they stand on this phone: what the server knows, and what waits here to be sent. */
interface Presence {
  cameAt?: string;
  wentAt?: string;
}

/** How somebody stands last. */
export function presenceOf(personId: number, kept: Attendance[], waiting: Item[]): Presence {
  const last = kept.filter((one) => one.personId === personId).at(-1);
  let now: Presence = { cameAt: last?.cameAt, wentAt: last?.wentAt };
  for (const item of waiting) {
    const body = item.body as { personId: number; step: string; at: string };
    if (body.personId !== personId) continue;
    now = body.step === 'came' ? { cameAt: body.at } : { ...now, wentAt: body.at };
  }
  return now;
}

/** Who is there: in and out by a tap, without signal too; hours count from it. */
export function WhoIsThere({ day }: { day: Day }) {
  const kept = useAttendance(day.id);
  const people = usePeople(day.siteId);
  const waiting = useWaiting();
  const { send, sending, wrong } = useSend();
  const [other, setOther] = useState('');
  const [unfolded, setUnfolded] = useState<boolean>();
  const here = waiting.data?.open.filter((item) => item.kind === 'attendance' && item.dayId === day.id) ?? [];
  const all = kept.data ?? [];
  const sign = (personId: number, step: 'came' | 'went') =>
    void send(
      attendanceItem({ siteId: day.siteId, dayId: day.id, on: day.data.on }, currentPersonId(), {
        personId,
        step,
        at: new Date().toISOString(),
      }),
    );
  const onDay = day.people.map((one) => ({ id: one.id, name: one.name }));
  const turnedUp = all
    .filter((one) => !onDay.some((known) => known.id === one.personId))
    .map((one) => ({ id: one.personId, name: one.name }));
  const listed = [...onDay, ...turnedUp.filter((one, i) => turnedUp.findIndex((x) => x.id === one.id) === i)];
  const others = (people.data ?? []).filter((one) => !listed.some((known) => known.id === one.id));
  const there = listed.filter((one) => {
    const now = presenceOf(one.id, all, here);
    return now.cameAt && !now.wentAt;
  }).length;
  return (
    <details
      className="who-is-there mb-2"
      open={unfolded ?? there === 0}
      onToggle={(e) => setUnfolded(e.currentTarget.open)}
    >
      <summary>
        Who is there: {there} of {listed.length}
      </summary>
      {listed.map((one) => {
        const now = presenceOf(one.id, all, here);
        const inside = now.cameAt && !now.wentAt;
        return (
          <div key={one.id} className="d-flex gap-2 align-items-center py-1">
            <span className="flex-grow-1">
              {one.name}{' '}
              <span className="faint small">
                {now.cameAt && time(now.cameAt)}
                {now.wentAt && '–' + time(now.wentAt)}
              </span>
            </span>
            <Button
              variant={inside ? 'primary' : 'outline-primary'}
              style={{ minHeight: 44, minWidth: 92 }}
              disabled={sending}
              aria-label={one.name + (inside ? ' goes' : ' is here')}
              onClick={() => sign(one.id, inside ? 'went' : 'came')}
            >
              {inside ? 'Goes' : 'Is here'}
            </Button>
          </div>
        );
      })}
      {others.length > 0 && (
        <Form.Select
          aria-label="Somebody else is here"
          value={other}
          onChange={(e) => {
            setOther('');
            sign(Number(e.target.value), 'came');
          }}
        >
          <option value="">Somebody else is here…</option>
          {others.map((one) => (
            <option key={one.id} value={one.id}>
              {one.name}
            </option>
          ))}
        </Form.Select>
      )}
      <ProblemAlert error={wrong} />
    </details>
  );
}
