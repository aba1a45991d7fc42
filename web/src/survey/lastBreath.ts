import type { Draft } from '../field/kept';

/**
 * What was entered in the moment a page is left. Writing to the phone's store takes a few thousandths of a second; a reload
 * within them would lose the last touch. It stands here meanwhile, for the tab alone, and goes once it is on the disk.
 */
const at = (treeId: number) => 'bough-last-' + treeId;

interface Breath {
  enteredAt: number;
  draft: Draft;
}

export function hold(treeId: number, draft: Draft, enteredAt: number) {
  try {
    sessionStorage.setItem(at(treeId), JSON.stringify({ enteredAt, draft } satisfies Breath));
  } catch {
    // No room for it: the store has it a moment later all the same.
  }
}

/** Lets go of it, unless something newer stands there by now. */
export function letGo(treeId: number, enteredAt = Infinity) {
  const held = heldOf(treeId);
  if (held && held.enteredAt <= enteredAt) sessionStorage.removeItem(at(treeId));
}

export function heldOf(treeId: number): Breath | undefined {
  const text = sessionStorage.getItem(at(treeId));
  return text ? (JSON.parse(text) as Breath) : undefined;
}
