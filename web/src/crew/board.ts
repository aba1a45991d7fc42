import type { CrewsOfDay } from '../api/client';

/** A crew as it is laid out: ids of people, and of trees' turns in order. */
export interface Laid {
  people: number[];
  visits: number[];
}

/** Something on the board: somebody, or a tree's turn. */
export interface Piece {
  kind: 'person' | 'tree';
  id: number;
}

/** The crews as the server has them. */
export const laidOf = (board: CrewsOfDay): Laid[] =>
  board.crews.map((crew) => ({ people: crew.people, visits: crew.turns.map((turn) => turn.visitId) }));

const without = (crews: Laid[], piece: Piece): Laid[] =>
  crews.map((crew) =>
    piece.kind === 'person'
      ? { ...crew, people: crew.people.filter((one) => one !== piece.id) }
      : { ...crew, visits: crew.visits.filter((one) => one !== piece.id) },
  );

/** In which crew a piece is, from 0; -1 for none. */
export const crewOf = (crews: Laid[], piece: Piece): number =>
  crews.findIndex((crew) => (piece.kind === 'person' ? crew.people : crew.visits).includes(piece.id));

/**
 * The crews with a piece moved.
 *
 * @param to crew counted from 0, -1 for none, and one more than there are for a new one
 * @param before the turn a tree comes before; left out for the end
 */
export function moved(crews: Laid[], piece: Piece, to: number, before?: number): Laid[] {
  const rest = without(crews, piece);
  if (to < 0) return rest;
  const all = to >= rest.length ? [...rest, { people: [], visits: [] }] : rest;
  return all.map((crew, i) => {
    if (i !== Math.min(to, all.length - 1)) return crew;
    if (piece.kind === 'person') return { ...crew, people: [...crew.people, piece.id] };
    const at = before === undefined ? -1 : crew.visits.indexOf(before);
    const place = at < 0 ? crew.visits.length : at;
    return { ...crew, visits: crew.visits.toSpliced(place, 0, piece.id) };
  });
}

/** What an arrow key does with a piece: sideways into the next crew or out of all, up and down in its order. */
export function steppedTo(crews: Laid[], piece: Piece, key: string): Laid[] | undefined {
  const at = crewOf(crews, piece);
  if (key === 'ArrowLeft' && at >= 0) return moved(crews, piece, at - 1);
  if (key === 'ArrowRight' && at < crews.length) return moved(crews, piece, at + 1);
  if (piece.kind === 'person' || at < 0) return undefined;
  const turns = crews[at]!.visits;
  const place = turns.indexOf(piece.id);
  if (key === 'ArrowUp' && place > 0) return moved(crews, piece, at, turns[place - 1]);
  if (key === 'ArrowDown' && place < turns.length - 1) return moved(crews, piece, at, turns[place + 2]);
  return undefined;
}

/** Minutes since midnight of a time such as 09:30. */
export const minuteOf = (time: string) => Number(time.slice(0, 2)) * 60 + Number(time.slice(3));
