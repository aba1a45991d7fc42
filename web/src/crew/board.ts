import type { CrewsOfDay, Day } from '../api/client';
import { words } from '../parts/format';
import { cutsInWords, TICKET_NAMES } from '../vocabulary/crew';

/** A crew as it is laid out: ids of people, and turns in order, such as visit-12 or task-7. */
export interface Laid {
  people: number[];
  turns: string[];
}

/** Something on the board: somebody, or a turn. */
export type Piece = { kind: 'person'; id: number } | { kind: 'turn'; id: string };

/** The crews as the server has them. */
export const laidOf = (board: CrewsOfDay): Laid[] =>
  board.crews.map((crew) => ({ people: crew.people, turns: crew.turns.map((turn) => turn.turn) }));

const without = (crews: Laid[], piece: Piece): Laid[] =>
  crews.map((crew) =>
    piece.kind === 'person'
      ? { ...crew, people: crew.people.filter((one) => one !== piece.id) }
      : { ...crew, turns: crew.turns.filter((one) => one !== piece.id) },
  );

/** In which crew a piece is, from 0; -1 for none. */
export const crewOf = (crews: Laid[], piece: Piece): number =>
  crews.findIndex((crew) =>
    piece.kind === 'person' ? crew.people.includes(piece.id) : crew.turns.includes(piece.id),
  );

/**
 * The crews with a piece moved.
 *
 * @param to crew counted from 0, -1 for none, and one more than there are for a new one
 * @param before the turn another comes before; left out for the end
 */
export function moved(crews: Laid[], piece: Piece, to: number, before?: string): Laid[] {
  const rest = without(crews, piece);
  if (to < 0) return rest;
  const all = to >= rest.length ? [...rest, { people: [], turns: [] }] : rest;
  return all.map((crew, i) => {
    if (i !== Math.min(to, all.length - 1)) return crew;
    if (piece.kind === 'person') return { ...crew, people: [...crew.people, piece.id] };
    const at = before === undefined ? -1 : crew.turns.indexOf(before);
    const place = at < 0 ? crew.turns.length : at;
    return { ...crew, turns: crew.turns.toSpliced(place, 0, piece.id) };
  });
}

/**
 * What an arrow key does with a piece: sideways into the next crew or out of all, up and down in its order. What is in no crew stands
 * right of them, and goes left into the last or round into the first.
 */
export function steppedTo(crews: Laid[], piece: Piece, key: string): Laid[] | undefined {
  const at = crewOf(crews, piece);
  if (key === 'ArrowLeft' && (at >= 0 || crews.length > 0))
    return moved(crews, piece, at >= 0 ? at - 1 : crews.length - 1);
  if (key === 'ArrowRight' && at < crews.length) return moved(crews, piece, at + 1);
  if (piece.kind === 'person' || at < 0) return undefined;
  const turns = crews[at]!.turns;
  const place = turns.indexOf(piece.id);
  if (key === 'ArrowUp' && place > 0) return moved(crews, piece, at, turns[place - 1]);
  if (key === 'ArrowDown' && place < turns.length - 1) return moved(crews, piece, at, turns[place + 2]);
  return undefined;
}

/** A tree's turn or a task, as the board shows it. */
export interface Turn {
  id: string;
  name: string;
  minutes: number;
  urgent: boolean;
  sick: boolean;
  /** Tickets wanted, in words. */
  wants: string;
  /** All of it, in lines. */
  more: string[];
  treeId?: number;
  /** Where it stands; a task of the whole site stands nowhere. */
  stop?: { tag: string; eastM: number; northM: number; spreadM: number };
}

/** Turns of a day that are not done, in their order. */
export function turnsOf(day: Day): Turn[] {
  const names = (tickets: string[]) => tickets.map((ticket) => TICKET_NAMES[ticket]).join(', ');
  return [
    ...day.visits
      .filter((visit) => !visit.logged)
      .map((visit) => ({
        id: 'visit-' + visit.id,
        name: visit.tag,
        minutes: visit.minutes,
        urgent: visit.cuts.some((cut) => cut.urgent),
        sick: visit.sick,
        wants: names(visit.tickets),
        more: [
          words(visit.species),
          cutsInWords(visit.cuts, visit.shoots, visit.upkeepMinutes, visit.tasks),
          ...visit.cuts
            .filter((cut) => cut.tickets?.length)
            .map((cut) => cut.limb + ' wants ' + names(cut.tickets)),
        ],
        treeId: visit.treeId,
        stop: { tag: visit.tag, eastM: visit.eastM, northM: visit.northM, spreadM: visit.spreadM },
      })),
    ...day.tasks
      .filter((task) => !task.done)
      .map((task) => ({
        id: 'task-' + task.id,
        name: (task.tag ? task.tag + ': ' : '') + task.title,
        minutes: task.minutes,
        urgent: false,
        sick: false,
        wants: '',
        more: ['A task'],
        treeId: task.treeId,
        stop: task.tag ? { tag: task.tag, eastM: task.eastM, northM: task.northM, spreadM: 0 } : undefined,
      })),
  ];
}

/** Minutes since midnight of a time such as 09:30. */
export const minuteOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
