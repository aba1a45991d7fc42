/** A word that is to stand near a place. */
export interface Wish {
  id: string;
  x: number;
  y: number;
  /** In which direction it would rather stand, as a step from the place. */
  awayX: number;
  awayY: number;
}

export interface Placed {
  id: string;
  x: number;
  y: number;
  /** Where it belongs, when it had to go so far that a line has to say so. */
  lineTo?: { x: number; y: number };
}

/** About how wide a letter is, of its height. */
const LETTER = 0.62;
const LINE = 1.02;

export const widthOf = (id: string, text: number) => (id.length * LETTER + 0.25) * text;

/** Lays words so that none lies on another and all lie on the sheet: each as near its place as there is room. */
export function placeLabels(
  wishes: Wish[],
  text: number,
  sheet: { left: number; right: number; top: number; bottom: number },
): Placed[] {
  const taken: { x: number; y: number; half: number }[] = [];
  return wishes.map((wish) => {
    const half = widthOf(wish.id, text) / 2;
    const free = (x: number, y: number) =>
      x - half >= sheet.left &&
      x + half <= sheet.right &&
      y - text * 0.8 >= sheet.top &&
      y + text * 0.25 <= sheet.bottom &&
      taken.every((one) => Math.abs(one.x - x) >= one.half + half || Math.abs(one.y - y) >= text * LINE);
    const start = {
      x: wish.x + wish.awayX * text * 0.75,
      y: wish.y + wish.awayY * text * 0.75 + text * 0.35,
    };
    let found = start;
    // Round and round, a little farther each time; there is always room in the end.
    for (let k = 0; k < 4000; k++) {
      const angle = k * 0.9;
      const far = 0.028 * text * k;
      found = { x: start.x + Math.cos(angle) * far, y: start.y + Math.sin(angle) * far * 0.8 };
      if (free(found.x, found.y)) break;
    }
    taken.push({ ...found, half });
    const gone = Math.hypot(found.x - wish.x, found.y - text * 0.35 - wish.y);
    return { id: wish.id, ...found, lineTo: gone > text * 2 ? { x: wish.x, y: wish.y } : undefined };
  });
}

/** Room a share takes, in heights of its letters. */
const SHARE_WIDE = 2.4;
const SHARE_HIGH = 1.1;

/** A share of light by where the leaf hangs. */
export interface Share {
  id: string;
  x: number;
  y: number;
  share: number;
}

/** Lays shares where they lie on no tag and on none before them, a little up or down where that helps; others are left out. */
export function placeShares(wishes: Share[], text: number, tags: Placed[]): Share[] {
  const placed: Share[] = [];
  for (const wish of wishes) {
    const free = (y: number) =>
      placed.every(
        (one) => Math.abs(one.x - wish.x) > SHARE_WIDE * text || Math.abs(one.y - y) > SHARE_HIGH * text,
      ) &&
      tags.every(
        (tag) =>
          Math.abs(tag.x - wish.x) >= (SHARE_WIDE * text + widthOf(tag.id, text)) / 2 ||
          Math.abs(tag.y - y) >= SHARE_HIGH * text,
      );
    const y = [0, 1, -1, 2, -2].map((step) => wish.y + step * SHARE_HIGH * text).find(free);
    if (y !== undefined) placed.push({ ...wish, y });
  }
  return placed;
}
