import type { LimbFile, Log, LogData, LoggedCut } from '../api/client';
import type { Draft } from '../field/kept';
import { DISEASES, FAULTS, fieldName } from '../vocabulary/survey';
import { DONE, OUTCOMES, PRUNINGS, WOOD } from '../vocabulary/visit';
import { lengthAsGiven } from '../parts/measure';

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
        limb.diameterCm == null ? text(null) : lengthAsGiven(limb.diameterCm, 'cm'),
        limb.lengthM == null ? text(null) : lengthAsGiven(limb.lengthM, 'm'),
        ...(limb.faults ?? []).map(
          (fault) => FAULTS[fault.kind ?? ''] + (fault.with ? ' ' + fault.with : ''),
        ),
      ].join(', ')
    : 'not there';

/** A survey or a draft of one, as far as they are compared. */
interface Compared {
  format?: string;
  tree?: object;
  limbs?: Partial<LimbFile>[];
}

/** Where two surveys of one tree differ, for looking at them side by side. */
export function compare(mine: Draft, theirs: Compared | null | undefined): Difference[] {
  const found: Difference[] = [];
  const tree = (theirs?.tree ?? {}) as Record<string, unknown>;
  const yours = mine.tree as Record<string, unknown>;
  // A whole file also says what the register knows of the tree; that is no difference of the walks.
  const fields = new Set([...Object.keys(yours), ...(theirs?.format ? [] : Object.keys(tree))]);
  for (const field of fields) {
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

/** What a log says of a cut, in words. */
function cutText(cut: LoggedCut | undefined): string {
  if (!cut) return 'nothing';
  return [
    OUTCOMES[cut.outcome],
    cut.kind && DONE[cut.kind],
    cut.alongM != null && lengthAsGiven(cut.alongM, 'm') + ' along',
    cut.wood && WOOD[cut.wood],
    cut.hollowCm != null && lengthAsGiven(cut.hollowCm, 'cm') + ' hollow',
    cut.diameterCm != null && lengthAsGiven(cut.diameterCm, 'cm') + ' wide',
    cut.disease && DISEASES[cut.disease],
    cut.note,
  ]
    .filter(Boolean)
    .join(', ');
}

/** Where two logs of one visit differ, cut by cut. */
export function compareLogs(mine: LogData, theirs: Log, nameOf: (personId: number) => string): Difference[] {
  const found: Difference[] = [];
  const say = (what: string, yours: string, other: string) => {
    if (yours !== other) found.push({ what, yours, theirs: other });
  };
  const limbs = [...new Set([...mine.cuts, ...theirs.cuts].map((cut) => cut.limb))].sort();
  for (const limb of limbs)
    say(
      'Limb ' + limb,
      cutText(mine.cuts.find((cut) => cut.limb === limb)),
      cutText(theirs.cuts.find((cut) => cut.limb === limb)),
    );
  say('Done on', mine.on, theirs.on);
  say('Person-minutes', text(mine.minutes), text(theirs.minutes));
  say('Shoots', text(mine.shoots), text(theirs.shoots));
  say('Prunings', PRUNINGS[mine.prunings] ?? '', PRUNINGS[theirs.prunings] ?? '');
  say('Who', mine.people.map(nameOf).sort().join(', '), text(theirs.people));
  say('Note', text(mine.note), text(theirs.note));
  return found;
}
