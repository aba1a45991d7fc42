import type { ProgrammeTree } from '../api/client';

/** How the trees of the picture are put in order. */
export const ORDERS = { worth: 'by what it gains', kind: 'by kind', place: 'by place' } as const;
export type Order = keyof typeof ORDERS;

const byTag = (one: ProgrammeTree, other: ProgrammeTree) =>
  one.tag.localeCompare(other.tag, 'en', { numeric: true });

export function inOrder(trees: ProgrammeTree[], order: Order): ProgrammeTree[] {
  const worth = (tree: ProgrammeTree) => (tree.minutes > 0 ? tree.worth / tree.minutes : -1);
  return [...trees].sort((one, other) =>
    order === 'worth'
      ? worth(other) - worth(one) || byTag(one, other)
      : order === 'kind'
        ? one.species.localeCompare(other.species) || byTag(one, other)
        : byTag(one, other),
  );
}

export interface Mark {
  year: number;
  minutes: number;
  danger: boolean;
}

/** A tree's work by years: what cannot wait apart from the rest. */
export function marksOf(tree: ProgrammeTree): Mark[] {
  const found = new Map<string, Mark>();
  for (const work of tree.work) {
    if (work.year == null) continue;
    const key = work.year + (work.danger ? '!' : '');
    const mark = found.get(key) ?? { year: work.year, minutes: 0, danger: work.danger };
    found.set(key, { ...mark, minutes: mark.minutes + work.minutes });
  }
  return [...found.values()];
}

/** The year in which a tree's plan would begin by itself, where it is put off. */
export const ghostOf = (tree: ProgrammeTree): number | undefined =>
  tree.first != null && (tree.begins == null || tree.begins > tree.first) ? tree.first : undefined;
