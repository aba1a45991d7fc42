import { type KeyboardEvent, useEffect, useRef } from 'react';
import { Link } from 'react-router';
import type { CrewsOfDay, Day, DayPerson } from '../api/client';
import { Icon } from '../parts/Icon';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { counted, minutes } from '../parts/format';
import { type Grip, useDragged } from '../parts/useDragged';
import { TICKET_NAMES } from '../vocabulary/crew';
import { type Laid, minuteOf, moved, type Piece, steppedTo, type Turn, turnsOf } from './board';
import { DayMap } from './DayMap';
import { useCrewBoard } from './rosterQueries';
import { useLaid } from './useLaid';

/** So high a minute is drawn. */
const PX_A_MINUTE = 1.5;
const LEAST_PX = 24;
const NONE = 'none';

/** Crews as columns over the hours of the day: people on top, trees beneath; dragged, or moved by the arrow keys. */
export function CrewBoard({ day, open }: { day: Day; open: boolean }) {
  const board = useCrewBoard(day.id);
  if (!board.data) return <Loading error={board.error} />;
  return <Board day={day} board={board.data} open={open} />;
}

function Board({ day, board, open }: { day: Day; board: CrewsOfDay; open: boolean }) {
  const { crews, laid, busy, put, error } = useLaid(day.id, board);
  const refocus = useRef<Piece>(undefined);
  const section = useRef<HTMLElement>(null);
  const numbers = laid ? undefined : board.crews.map((crew) => crew.crew);
  const { held, over, grip } = useDragged<Piece>((piece, row, at) => {
    const to = row === NONE ? -1 : Number(row);
    put(moved(crews, piece, to, piece.kind === 'turn' ? turnBelow(section.current, row, at.y) : undefined));
  });
  const keys = (piece: Piece) => (e: KeyboardEvent) => {
    const next = steppedTo(crews, piece, e.key);
    if (!next) return;
    e.preventDefault();
    refocus.current = piece;
    put(next);
  };
  // What was moved by keys stands elsewhere now: whoever moved it goes on from there.
  useEffect(() => {
    const piece = refocus.current;
    if (!piece) return;
    section.current
      ?.querySelector<HTMLElement>(`[data-piece="${piece.kind}-${piece.id}"]`)
      ?.focus({ preventScroll: true });
    if (!busy) refocus.current = undefined;
  }, [crews, busy]);
  const turns = new Map(turnsOf(day).map((turn) => [turn.id, turn]));
  const people = new Map(day.people.map((person) => [person.id, person]));
  const placed = new Set(crews.flatMap((crew) => crew.turns));
  const inCrews = new Set(crews.flatMap((crew) => crew.people));
  const shared = { day, board, turns, people, grip, keys, open };
  const ways = crews.map((crew) => crew.turns.flatMap((id) => turns.get(id)?.stop ?? []));
  const ofDay = board.breaches.filter((breach) => breach.crew == null && breach.turn == null);
  return (
    <section ref={section} aria-label="Crews" className="crew-board">
      <h2>
        Crews{' '}
        {!board.clocked && crews.length > 0 && (
          <small className="faint">as people were given to trees; no clock yet</small>
        )}
      </h2>
      {open && (
        <p className="faint small no-print mb-1">
          Drag people and trees into a crew, or pick one and press an arrow key. The clock follows.
        </p>
      )}
      {ofDay.map((breach) => (
        <p key={breach.text} className="breach">
          <Icon name="exclamation-triangle" /> {breach.text}
        </p>
      ))}
      <div className="crew-columns">
        {crews.map((crew, i) => (
          <Column
            key={i}
            {...shared}
            row={String(i)}
            number={numbers?.[i] ?? i + 1}
            crew={crew}
            over={over === String(i)}
          />
        ))}
        {open && (
          <div
            className={'crew-column new' + (over === String(crews.length) ? ' over' : '')}
            data-lane={crews.length}
          >
            <h3>Another crew</h3>
            <p className="faint small">Let go of somebody or a tree here.</p>
          </div>
        )}
        <Bench
          {...shared}
          over={over === NONE}
          rest={[...people.values()].filter((one) => !inCrews.has(one.id))}
          loose={[...turns.values()].filter((one) => !placed.has(one.id))}
        />
      </div>
      {held && (
        <span className="held-cut" style={{ left: held.x, top: held.y }} aria-hidden="true">
          {held.thing.kind === 'person' ? people.get(held.thing.id)?.name : turns.get(held.thing.id)?.name}
        </span>
      )}
      <ProblemAlert error={error} />
      <DayMap ways={ways} />
    </section>
  );
}

/** Before which turn of a column a height lies; none for the end. */
function turnBelow(section: HTMLElement | null, row: string, y: number): string | undefined {
  const turns = [...(section?.querySelectorAll<HTMLElement>(`[data-lane="${row}"] [data-turn]`) ?? [])];
  const below = turns.find((one) => {
    const box = one.getBoundingClientRect();
    return y < box.top + box.height / 2;
  });
  return below?.dataset.turn;
}

interface Shared {
  day: Day;
  board: CrewsOfDay;
  turns: Map<string, Turn>;
  people: Map<number, DayPerson>;
  grip: (piece: Piece) => Grip;
  keys: (piece: Piece) => (e: KeyboardEvent) => void;
  open: boolean;
}

function Column({
  crew,
  row,
  number,
  over,
  ...shared
}: Shared & { crew: Laid; row: string; number: number; over: boolean }) {
  const { day, board, turns, people } = shared;
  const starts = minuteOf(day.data.starts);
  const ends = minuteOf(day.data.ends);
  const clocks = new Map(board.crews.flatMap((one) => one.turns).map((turn) => [turn.turn, turn]));
  const breaches = board.breaches.filter((breach) => breach.crew === number);
  const leader = crew.people.find((id) => {
    const one = people.get(id);
    return one && one.tickets.includes('lead') && !one.maybeUnderAge;
  });
  const hours = Array.from({ length: Math.floor((ends - starts) / 60) + 1 }, (_, i) => starts + i * 60);
  const places = placesOf(crew.turns, clocks, starts);
  const low = Math.max((ends - starts) * PX_A_MINUTE, ...places.map((one) => one.top + one.height));
  return (
    <div
      className={'crew-column' + (over ? ' over' : '')}
      role="group"
      aria-label={'Crew ' + number}
      data-lane={row}
    >
      <h3>Crew {number}</h3>
      <div className="crew-people">
        {crew.people.map((id) => (
          <PersonChip key={id} {...shared} id={id} leads={id === leader} />
        ))}
        {crew.people.length === 0 && <span className="faint small">nobody yet</span>}
      </div>
      {breaches
        .filter((breach) => breach.turn == null)
        .map((breach) => (
          <p key={breach.text} className="breach">
            <Icon name="exclamation-triangle" /> {breach.text}
          </p>
        ))}
      <div className="crew-clock" style={{ height: low }}>
        {hours.map((minute) => (
          <span key={minute} className="hour" style={{ top: (minute - starts) * PX_A_MINUTE }} aria-hidden>
            {clock(minute)}
          </span>
        ))}
        <span className="day-ends" style={{ top: (ends - starts) * PX_A_MINUTE }} aria-hidden />
        {places.map(({ id, top, height }) => {
          const when = clocks.get(id);
          const turn = turns.get(id);
          if (!turn) return null;
          return (
            <TurnBlock
              key={id}
              {...shared}
              turn={turn}
              clock={when && when.starts + '–' + when.ends}
              broken={breaches.filter((breach) => breach.turn === id).map((breach) => breach.text)}
              style={{ top, height }}
            />
          );
        })}
      </div>
      {breaches
        .filter((breach) => breach.turn != null)
        .map((breach) => (
          <p key={breach.text} className="breach">
            <Icon name="exclamation-triangle" /> {breach.text}
          </p>
        ))}
    </div>
  );
}

/** Where turns stand: by the clock, and a little later where short ones before would lie under them. */
function placesOf(turns: string[], clocks: Map<string, { starts: string; ends: string }>, starts: number) {
  let free = 0;
  return turns.map((id) => {
    const turn = clocks.get(id);
    const top = Math.max(free, turn ? (minuteOf(turn.starts) - starts) * PX_A_MINUTE : 0);
    const long = turn ? (minuteOf(turn.ends) - minuteOf(turn.starts)) * PX_A_MINUTE - 2 : 0;
    const height = Math.max(LEAST_PX, long);
    free = top + height + 2;
    return { id, top, height };
  });
}

const clock = (minute: number) =>
  String(Math.floor(minute / 60)).padStart(2, '0') + ':' + String(minute % 60).padStart(2, '0');

function Bench({
  rest,
  loose,
  over,
  ...shared
}: Shared & { rest: DayPerson[]; loose: Turn[]; over: boolean }) {
  return (
    <div
      className={'crew-column aside' + (over ? ' over' : '')}
      role="group"
      aria-label="In no crew"
      data-lane={NONE}
    >
      <h3>In no crew</h3>
      <div className="crew-people">
        {rest.map((one) => (
          <PersonChip key={one.id} {...shared} id={one.id} leads={false} />
        ))}
      </div>
      {loose.map((turn) => (
        <TurnBlock key={turn.id} {...shared} turn={turn} broken={[]} />
      ))}
      {rest.length === 0 && loose.length === 0 && <span className="faint small">nobody and nothing</span>}
    </div>
  );
}

function PersonChip({ id, leads, people, board, grip, keys, open }: Shared & { id: number; leads: boolean }) {
  const one = people.get(id);
  if (!one) return null;
  const more = board.people.find((other) => other.id === id);
  const tickets = one.tickets.map((ticket) => TICKET_NAMES[ticket]).join(', ');
  const hours = more ? Math.round(more.hoursThisSeason) : 0;
  return (
    <button
      type="button"
      className={'person-chip' + (leads ? ' leads' : '')}
      data-piece={'person-' + id}
      disabled={!open}
      title={[tickets || 'no ticket', counted(hours, 'hour') + ' this season'].join('; ')}
      onKeyDown={keys({ kind: 'person', id })}
      {...grip({ kind: 'person', id })}
    >
      {leads && <Icon name="flag" label="leads" />} {one.name}
      <span className="small">
        {one.maybeUnderAge ? 'ground only' : tickets && tickets.replace('crew leader', 'leader')}
        {hours > 0 && ' · ' + hours + ' h'}
        {more?.skill === 0 && !one.maybeUnderAge && ' · new to it'}
      </span>
    </button>
  );
}

function TurnBlock({
  turn,
  clock: when,
  broken,
  style,
  day,
  grip,
  keys,
  open,
}: Shared & { turn: Turn; clock?: string; broken: string[]; style?: React.CSSProperties }) {
  const piece: Piece = { kind: 'turn', id: turn.id };
  // A short turn has room for a line: what is to be known of it stands first, its length is seen anyway.
  const said = [turn.urgent && 'urgent', turn.sick && 'sick', turn.wants].filter(Boolean).join(' · ');
  return (
    <div
      className={
        'tree-block' +
        (turn.urgent ? ' urgent' : '') +
        (broken.length ? ' broken' : '') +
        (style ? '' : ' loose')
      }
      style={style}
      data-turn={turn.id}
    >
      <button
        type="button"
        data-piece={'turn-' + turn.id}
        disabled={!open}
        title={[...turn.more, ...broken].filter(Boolean).join('\n')}
        onKeyDown={keys(piece)}
        {...grip(piece)}
      >
        <strong>{turn.name}</strong> {said && <span className="wants">{said} · </span>}
        <span className="clock">{when}</span> {minutes(turn.minutes)}
      </button>
      {turn.treeId != null && (
        <Link to={'/sites/' + day.siteId + '/trees/' + turn.treeId} aria-label={'Open ' + turn.name}>
          <Icon name="arrow-right" />
        </Link>
      )}
    </div>
  );
}
