import type { Log, LoggedCut, LogData, TreeSheet } from '../api/client';
import type { CutEntry, Entry } from '../field/kept';
import { randomKey } from '../field/outbox';
import { decimal } from '../parts/fields';
import { type Length, readLength, unitsShown, writeLength } from '../parts/measure';

export const emptyCut = (limb: string): CutEntry => ({
  limb,
  outcome: '',
  kind: '',
  alongM: '',
  wood: '',
  hollowCm: '',
  faceCm: '',
  disease: '',
  note: '',
});

/** Under what an entry is kept: its visit, and the log it corrects if it does. */
export const entryId = (visitId: number, corrects?: number) => visitId + (corrects ? '-' + corrects : '');

/** A new entry for a visit: nothing said yet, minutes neither; the planned people to start from. */
export function begin(sheet: TreeSheet, people: number[]): Entry {
  return {
    key: randomKey(),
    on: sheet.on,
    minutes: '',
    people,
    prunings: 'stacked',
    shoots: String(sheet.shoots),
    note: '',
    cuts: sheet.cuts.map((cut) => emptyCut(cut.limb)),
  };
}

/** An entry that starts from the log it corrects. */
export function beginFrom(log: Log, people: number[]): Entry {
  const written = (value: number | null | undefined, from: Length) =>
    value === null || value === undefined ? '' : writeLength(value, from, unitsShown());
  return {
    key: randomKey(),
    on: log.on,
    minutes: String(log.minutes),
    people,
    prunings: log.prunings,
    pile: log.pileKilos == null ? '' : String(log.pileKilos),
    shoots: String(log.shoots),
    note: log.note ?? '',
    cuts: log.cuts.map((cut) => ({
      limb: cut.limb,
      outcome: cut.outcome,
      kind: cut.kind ?? '',
      alongM: written(cut.alongM, 'm'),
      wood: cut.wood ?? '',
      hollowCm: written(cut.hollowCm, 'cm'),
      faceCm: written(cut.diameterCm, 'cm'),
      disease: cut.disease ?? '',
      note: cut.note ?? '',
    })),
  };
}

/** A number as people write it; undefined where there is none, NaN for what is none. */
const number = (text: string | undefined): number | undefined => decimal(text ?? '') ?? undefined;

/** A length of the log, in metres or centimetres, as whoever logs measures. */
const length = (text: string | undefined, into: Length): number | undefined =>
  readLength(text ?? '', into, unitsShown()) ?? undefined;

/** Begins to count the minutes. */
export const startClock = (now: number): Partial<Entry> => ({ startedAt: now });

/** Minutes by the clock between start and stop, one at least. */
export const clockMinutes = (workedMs: number) => Math.max(1, Math.round(workedMs / 60_000));

const personMinutes = (workedMs: number, people: number[]) =>
  String(clockMinutes(workedMs) * Math.max(1, people.length));

/** Stops counting and writes the person-minutes of those who are at it, those worked before with them. */
export function stopClock(entry: Entry, now: number): Partial<Entry> {
  const workedMs = (entry.workedMs ?? 0) + (entry.startedAt === undefined ? 0 : now - entry.startedAt);
  return { startedAt: undefined, workedMs, minutes: personMinutes(workedMs, entry.people) };
}

/** Other people at it; what the clock measured counts for each of them, what was typed stays. */
export function withPeople(entry: Entry, people: number[]): Partial<Entry> {
  return entry.workedMs !== undefined && entry.startedAt === undefined
    ? { people, minutes: personMinutes(entry.workedMs, people) }
    : { people };
}

/** What is still to be said before it can be sent; empty when nothing is. */
export function missing(entry: Entry): string[] {
  const found: string[] = [];
  const unsaid = entry.cuts.filter((cut) => !cut.outcome).map((cut) => cut.limb);
  if (unsaid.length) found.push('Say what became of ' + unsaid.join(', ') + '.');
  const unkind = entry.cuts.filter((cut) => cut.outcome === 'other' && !cut.kind).map((cut) => cut.limb);
  if (unkind.length) found.push('Say what was done to ' + unkind.join(', ') + ' instead.');
  const where = entry.cuts
    .filter((cut) => cut.outcome === 'other' && cut.kind === 'shorten' && !cut.alongM.trim())
    .map((cut) => cut.limb);
  if (where.length) found.push('Say how far from its base ' + where.join(', ') + ' was shortened.');
  if (entry.people.length === 0) found.push('Say who did it.');
  if (entry.startedAt !== undefined) found.push('Stop the clock, or give the person-minutes.');
  else if (number(entry.minutes) === undefined) found.push('Give the person-minutes.');
  for (const [name, value] of [
    ['What stands for person-minutes', number(entry.minutes)],
    ['What stands for shoots', number(entry.shoots)],
    ['What stands for the pile', number(entry.pile)],
    ...entry.cuts.flatMap((cut) => [
      ['Where ' + cut.limb + ' was shortened', length(cut.alongM, 'm')],
      ['The hollow of ' + cut.limb, length(cut.hollowCm, 'cm')],
      ['The width of ' + cut.limb, length(cut.faceCm, 'cm')],
    ]),
  ] as [string, number | undefined][])
    if (Number.isNaN(value)) found.push(name + ' is' + ' no number; give one such as 12 or 1.5.');
  return found;
}

/** As it is sent. */
export function toSend(entry: Entry): LogData {
  return {
    key: entry.key,
    on: entry.on,
    minutes: Math.round(number(entry.minutes) ?? 0),
    people: entry.people,
    prunings: entry.prunings,
    pileKilos: number(entry.pile),
    shoots: Math.round(number(entry.shoots) ?? 0),
    note: entry.note.trim() || undefined,
    cuts: entry.cuts.map((cut): LoggedCut => ({
      limb: cut.limb,
      outcome: cut.outcome,
      kind: cut.outcome === 'other' ? cut.kind : undefined,
      alongM: cut.outcome === 'other' && cut.kind === 'shorten' ? length(cut.alongM, 'm') : undefined,
      wood: cut.outcome === 'not-done' ? undefined : cut.wood || undefined,
      hollowCm: cut.wood === 'hollow' && cut.outcome !== 'not-done' ? length(cut.hollowCm, 'cm') : undefined,
      diameterCm: cut.outcome === 'not-done' ? undefined : length(cut.faceCm, 'cm'),
      disease: cut.outcome === 'not-done' ? undefined : cut.disease || undefined,
      note: cut.note.trim() || undefined,
    })),
  };
}
