import type { LimbFile, SurveyFile } from '../api/client';
import type { Draft } from '../survey/draft';
import { FAULTS, fieldName } from '../survey/words';

export interface Difference {
  what: string;
  yours: string;
  theirs: string;
}

const text = (value: unknown): string =>
  value === null || value === undefined || value === ''
    ? '–'
    : typeof value === 'object'
      ? JSON.stringify(value)
      : String(value);

const limbText = (limb: Partial<LimbFile> | undefined): string =>
  limb
    ? [
        text(limb.diameterCm) + ' cm',
        text(limb.lengthM) + ' m',
        ...(limb.faults ?? []).map(
          (fault) => FAULTS[fault.kind ?? ''] + (fault.with ? ' ' + fault.with : ''),
        ),
      ].join(', ')
    : 'not there';

/** Where two surveys of one tree differ, for looking at them side by side. */
export function compare(mine: Draft, theirs: SurveyFile | null | undefined): Difference[] {
  const found: Difference[] = [];
  const tree = (theirs?.tree ?? {}) as Record<string, unknown>;
  const yours = mine.tree as Record<string, unknown>;
  for (const field of Object.keys(yours)) {
    if (text(yours[field]) !== text(tree[field]))
      found.push({
        what: fieldName('/tree/' + field, []),
        yours: text(yours[field]),
        theirs: text(tree[field]),
      });
  }
  const there = new Map((theirs?.limbs ?? []).map((limb) => [limb.id, limb]));
  const ids = [...new Set([...mine.limbs.map((limb) => limb.id ?? ''), ...there.keys()])].sort();
  for (const id of ids) {
    const one = limbText(mine.limbs.find((limb) => limb.id === id));
    const other = limbText(there.get(id));
    if (one !== other) found.push({ what: 'Limb ' + id, yours: one, theirs: other });
  }
  return found;
}
