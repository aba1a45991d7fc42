import type { Log, LoggedCut, LogData, TreeSheet } from '../api/client';

/** A log as it is entered; kept in the browser until it is sent, so that nothing is lost. */
export interface Entry {
  key: string;
  on: string;
  minutes: string;
  people: number[];
  prunings: string;
  shoots: string;
  note: string;
  cuts: CutEntry[];
}

export interface CutEntry {
  limb: string;
  /** Empty until something is said of it. */
  outcome: string;
  kind: string;
  alongM: string;
  wood: string;
  hollowCm: string;
  disease: string;
  note: string;
}

export const emptyCut = (limb: string): CutEntry => ({
  limb,
  outcome: '',
  kind: '',
  alongM: '',
  wood: '',
  hollowCm: '',
  disease: '',
  note: '',
});

const KEPT = 'bough-log-';
const keptAs = (visitId: number, corrects?: number) => KEPT + visitId + (corrects ? '-' + corrects : '');

export function keep(visitId: number, corrects: number | undefined, entry: Entry) {
  localStorage.setItem(keptAs(visitId, corrects), JSON.stringify(entry));
}

export function kept(visitId: number, corrects?: number): Entry | undefined {
  const text = localStorage.getItem(keptAs(visitId, corrects));
  return text ? (JSON.parse(text) as Entry) : undefined;
}

export function letGo(visitId: number, corrects?: number) {
  localStorage.removeItem(keptAs(visitId, corrects));
}

/** 128 random bits as RFC 9562 writes them; the page need not be served over HTTPS for it. */
function randomKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6]! & 0x0f) | 0x40;
  bytes[8] = (bytes[8]! & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}

/** A new entry for a visit: nothing said yet, the planned minutes and people to start from. */
export function begin(sheet: TreeSheet, people: number[]): Entry {
  return {
    key: randomKey(),
    on: sheet.on,
    minutes: String(sheet.minutes),
    people,
    prunings: 'stacked',
    shoots: String(sheet.shoots),
    note: '',
    cuts: sheet.cuts.map((cut) => emptyCut(cut.limb)),
  };
}

/** An entry that starts from the log it corrects. */
export function beginFrom(log: Log, people: number[]): Entry {
  const text = (value: number | null | undefined) =>
    value === null || value === undefined ? '' : String(value);
  return {
    key: randomKey(),
    on: log.on,
    minutes: String(log.minutes),
    people,
    prunings: log.prunings,
    shoots: String(log.shoots),
    note: log.note ?? '',
    cuts: log.cuts.map((cut) => ({
      limb: cut.limb,
      outcome: cut.outcome,
      kind: cut.kind ?? '',
      alongM: text(cut.alongM),
      wood: cut.wood ?? '',
      hollowCm: text(cut.hollowCm),
      disease: cut.disease ?? '',
      note: cut.note ?? '',
    })),
  };
}

const number = (text: string): number | undefined => {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() === '' || Number.isNaN(value) ? undefined : value;
};

/** What is still to be said before it can be sent; empty when nothing is. */
export function missing(entry: Entry): string[] {
  const found: string[] = [];
  const unsaid = entry.cuts.filter((cut) => !cut.outcome).map((cut) => cut.limb);
  if (unsaid.length) found.push('Say what became of ' + unsaid.join(', ') + '.');
  const unkind = entry.cuts.filter((cut) => cut.outcome === 'other' && !cut.kind).map((cut) => cut.limb);
  if (unkind.length) found.push('Say what was done to ' + unkind.join(', ') + ' instead.');
  const where = entry.cuts
    .filter((cut) => cut.outcome === 'other' && cut.kind === 'shorten' && !number(cut.alongM))
    .map((cut) => cut.limb);
  if (where.length) found.push('Say how far from its base ' + where.join(', ') + ' was shortened.');
  if (entry.people.length === 0) found.push('Say who did it.');
  if (number(entry.minutes) === undefined) found.push('Give the minutes.');
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
    shoots: Math.round(number(entry.shoots) ?? 0),
    note: entry.note.trim() || undefined,
    cuts: entry.cuts.map((cut): LoggedCut => ({
      limb: cut.limb,
      outcome: cut.outcome,
      kind: cut.outcome === 'other' ? cut.kind : undefined,
      alongM: cut.outcome === 'other' && cut.kind === 'shorten' ? number(cut.alongM) : undefined,
      wood: cut.outcome === 'not-done' ? undefined : cut.wood || undefined,
      hollowCm: cut.wood === 'hollow' && cut.outcome !== 'not-done' ? number(cut.hollowCm) : undefined,
      disease: cut.outcome === 'not-done' ? undefined : cut.disease || undefined,
      note: cut.note.trim() || undefined,
    })),
  };
}
