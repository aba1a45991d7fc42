import type { FaultFile, LimbFile, SurveyFile } from '../api/client';
import type { Draft, OpenLimb } from '../field/kept';

export interface Started {
  draft: Draft;
  /** The newest survey known when it was begun, 0 for none. */
  basedOn: number;
}

export const emptyDraft = (today: string): Draft => ({
  surveyedOn: today,
  tree: {},
  limbs: [],
  surroundings: [],
});

/** A survey file as a draft: what the register knows better is left out, so that it is not set in stone here. */
export function draftOf(file: SurveyFile, surveyedOn: string): Draft {
  const known = [
    'label',
    'species',
    'rootstock',
    'plantedYear',
    'inContainer',
    'bearing',
    'form',
    'formWanted',
    'mainsWanted',
    'purpose',
    'targetHeightM',
    'clearanceM',
    'habit',
    'heightSetBy',
    'groupName',
    'owner',
    'ownerWishes',
    'consent',
  ];
  const tree = Object.fromEntries(Object.entries(file.tree ?? {}).filter(([name]) => !known.includes(name)));
  return {
    surveyedOn,
    tree,
    limbs: file.limbs ?? [],
    surroundings: file.surroundings ?? [],
    sides: file.sides?.map((side) => ({ bearingDeg: side.bearingDeg })),
    years: file.years,
    observedStage: file.observedStage,
  };
}

/** Thickest first; those whose width is not known yet at the end. */
export const thickestFirst = (limbs: Partial<LimbFile>[]) =>
  [...limbs].sort(
    (one, other) =>
      (other.diameterCm ?? -1) - (one.diameterCm ?? -1) || (one.id ?? '').localeCompare(other.id ?? ''),
  );

/** A free tag: letters for limbs on the trunk, the limb's own with a number for its side limbs. */
export function nextTag(limbs: Partial<LimbFile>[], parent?: string | null): string {
  const taken = new Set(limbs.map((limb) => limb.id));
  if (parent) {
    let number = 1;
    while (taken.has(parent + number)) number++;
    return parent + number;
  }
  for (let i = 0; ; i++) {
    const letter = String.fromCharCode(65 + (i % 26));
    const tag = i < 26 ? letter : letter + letter.repeat(Math.floor(i / 26));
    if (!taken.has(tag)) return tag;
  }
}

/** What of a limb is still wanted before it can stand among the others; empty when nothing is. */
export function lacking(limb: Partial<LimbFile>, others: Partial<LimbFile>[]): string[] {
  const given = (value: number | null | undefined) => value !== undefined && value !== null;
  return [
    !given(limb.diameterCm) && 'width',
    !given(limb.lengthM) && 'length',
    !given(limb.azimuthDeg) && 'direction',
    !given(limb.angleDeg) && 'angle',
    !given(limb.parent ? limb.originAlongM : limb.originHeightM) && 'where it leaves',
    !limb.id?.trim() && 'tag',
    others.some((other) => other.id === limb.id?.trim()) && 'a tag no other limb has',
  ].filter((one): one is string => !!one);
}

/** Whether anything was entered of a limb that was opened; one that was only looked at is not begun. */
function touched({ isNew, start, limb, tagged }: OpenLimb): boolean {
  if (!isNew) return JSON.stringify(limb) !== JSON.stringify(start);
  return (
    tagged ||
    Object.entries(limb).some(([name, value]) => !['id', 'faults'].includes(name) && value !== undefined)
  );
}

/** Limbs that are being entered or changed, by the key they were begun with. */
export const unfinished = (draft: Draft): [string, OpenLimb][] =>
  Object.entries(draft['x-open'] ?? {}).filter(([, one]) => touched(one));

/**
 * Begins a limb, or goes on with it; what was begun and left stays as it is. A limb that stands has its tag for a key. A
 * new one has a key that no limb had just before: its tag changes with what it grows from, and is then free again.
 */
export function openLimb(
  draft: Draft,
  limb?: Partial<LimbFile>,
  faults?: LimbFile['faults'],
): [Draft, string] {
  const open = draft['x-open'] ?? {};
  const begunBefore = Object.fromEntries(unfinished(draft));
  const key = limb?.id ?? newKey(draft);
  if (begunBefore[key]) return [draft, key];
  const start = limb ?? {
    id: nextTag([...draft.limbs, ...Object.values(begunBefore).map((one) => one.limb)]),
  };
  const begun: OpenLimb = {
    start,
    limb: { ...start, ...(faults ? { faults } : {}) },
    isNew: !limb,
    tagged: false,
  };
  return [{ ...draft, 'x-open': { ...(limb ? open : begunBefore), [key]: begun } }, key];
}

function newKey(draft: Draft): string {
  let number = draft.limbs.length + 1;
  while (draft['x-open']?.['new-' + number]) number++;
  return 'new-' + number;
}

/** With what is being entered of a limb. */
export const changeOpen = (draft: Draft, id: string, make: (now: OpenLimb) => Partial<OpenLimb>): Draft => {
  const open = draft['x-open']?.[id];
  return open ? { ...draft, 'x-open': { ...draft['x-open'], [id]: { ...open, ...make(open) } } } : draft;
};

/** Without a limb that was being entered: what stood before stands. */
export function leaveOpen(draft: Draft, id: string): Draft {
  const rest = { ...draft['x-open'] };
  delete rest[id];
  return { ...draft, 'x-open': Object.keys(rest).length > 0 ? rest : undefined };
}

/** With a limb that is entered among the others. */
export function closeOpen(draft: Draft, id: string): Draft {
  const open = draft['x-open']?.[id];
  if (!open) return draft;
  const limb = { ...open.limb, id: open.limb.id?.trim() };
  const stands = !open.isNew && draft.limbs.some((one) => one.id === open.start.id);
  return leaveOpen(
    {
      ...draft,
      limbs: stands ? replaceLimb(draft.limbs, open.start.id ?? '', limb) : [...draft.limbs, limb],
    },
    id,
  );
}

/** The limb and all that grows from it. */
export function withSideLimbs(limbs: Partial<LimbFile>[], id: string): Set<string> {
  const found = new Set([id]);
  for (let grew = true; grew;) {
    grew = false;
    for (const limb of limbs) {
      if (limb.id && limb.parent && found.has(limb.parent) && !found.has(limb.id)) {
        found.add(limb.id);
        grew = true;
      }
    }
  }
  return found;
}

/** Without a limb, its side limbs, and what others say of them. */
export function removeLimb(limbs: Partial<LimbFile>[], id: string): Partial<LimbFile>[] {
  const gone = withSideLimbs(limbs, id);
  return limbs
    .filter((limb) => !gone.has(limb.id ?? ''))
    .map((limb) => ({
      ...limb,
      faults: limb.faults?.filter((fault) => !fault.with || !gone.has(fault.with)),
    }));
}

/** With one limb put in place of another; when its tag changed, whatever names it follows. */
export function replaceLimb(
  limbs: Partial<LimbFile>[],
  id: string,
  changed: Partial<LimbFile>,
): Partial<LimbFile>[] {
  const follow = (name?: string) => (name === id ? changed.id : name);
  return limbs.map((limb) =>
    limb.id === id
      ? changed
      : {
          ...limb,
          parent: follow(limb.parent),
          faults: limb.faults?.map((fault) => ({ ...fault, with: follow(fault.with) })),
        },
  );
}

export const hasFault = (limb: Partial<LimbFile>, kind: string) =>
  limb.faults?.some((fault) => fault.kind === kind) ?? false;

/** Ticks a fault, or takes the tick away. */
export function toggleFault(limb: Partial<LimbFile>, kind: string): FaultFile[] {
  const faults = limb.faults ?? [];
  return hasFault(limb, kind) ? faults.filter((fault) => fault.kind !== kind) : [...faults, { kind }];
}
