import { useEffect, useState } from 'react';
import type { Day } from '../api/client';
import { turnsOf } from '../crew/board';
import { useCrewBoard } from '../crew/rosterQueries';
import { minutes } from '../parts/format';

const MINUTE_MS = 60_000;

/** The moment, anew every minute. */
function useNow(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = window.setInterval(() => setNow(Date.now()), MINUTE_MS);
    return () => window.clearInterval(tick);
  }, []);
  return now;
}

/** What is left against the time that is left, crew by crew, for whoever leads. */
export function TimeLeft({ day }: { day: Day }) {
  const now = useNow();
  const board = useCrewBoard(day.id);
  if (!board.data || !board.data.clocked) return null;
  const ends = Date.parse(day.data.on + 'T' + day.data.ends);
  const left = Math.round((ends - now) / MINUTE_MS);
  const turns = new Map(turnsOf(day).map((turn) => [turn.id, turn]));
  return (
    <section aria-label="What is left" className="mb-2">
      {board.data.crews.map((crew) => {
        const open = crew.turns.filter((turn) => turns.has(turn.turn));
        const work = open.reduce(
          (sum, turn) => sum + (turns.get(turn.turn)?.minutes ?? 0) / Math.max(1, crew.people.length),
          0,
        );
        const short = left >= 0 && work > left;
        return (
          <p key={crew.crew} className={'mb-1' + (short ? ' text-danger' : '')}>
            Crew {crew.crew}:{' '}
            {open.length === 0
              ? 'all done'
              : open.map((turn) => turns.get(turn.turn)!.name).join(', ') +
                ' left, ' +
                minutes(Math.round(work)) +
                ' by the clock at least'}
            {open.length > 0 && left > 0 && '; ' + minutes(left) + ' until ' + day.data.ends}
            {short && '. It will not all be done: what is urgent first.'}
          </p>
        );
      })}
    </section>
  );
}
