/** Numbers from 0 to 1 that are the same for the same words: a twig is the same twig whenever it is drawn. */
export type Chance = () => number;

function hash(words: string): number {
  let found = 2166136261;
  for (let i = 0; i < words.length; i++) found = Math.imul(found ^ words.charCodeAt(i), 16777619);
  return found >>> 0;
}

export function chance(...of: (string | number)[]): Chance {
  let state = hash(of.join('/'));
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

/** About 0, seldom beyond 2. */
export const wobble = (dice: Chance) => (dice() + dice() + dice() + dice() - 2) * 1.73;
