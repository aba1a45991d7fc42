/** Lengths as people write them: metric or imperial, mixed or plain. */
export type Units = 'metric' | 'imperial';
export type Length = 'm' | 'cm';

const CM = { m: 100, cm: 1, mm: 0.1, ft: 30.48, in: 2.54 };
const NAMES: Record<string, keyof typeof CM> = {
  m: 'm',
  metre: 'm',
  metres: 'm',
  meter: 'm',
  meters: 'm',
  cm: 'cm',
  mm: 'mm',
  ft: 'ft',
  foot: 'ft',
  feet: 'ft',
  "'": 'ft',
  '′': 'ft',
  in: 'in',
  inch: 'in',
  inches: 'in',
  '"': 'in',
  '″': 'in',
};
const PART =
  /^(\d+\s+\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)?)\s*(metres?|meters?|inches|inch|foot|feet|cm|mm|ft|in|m|'|"|′|″)?\s*/i;

/**
 * What was written as a length, in metres or centimetres; null for nothing, NaN for what cannot be understood. A bare
 * number is in the field's unit, or in feet or inches for whoever measures in them. 5' 6 is five feet and six inches.
 */
export function readLength(text: string, into: Length, units: Units): number | null {
  let rest = text.trim().replace(/[’‘]/g, "'").replace(/[“”]/g, '"');
  if (rest === '') return null;
  let cm = 0;
  let before: keyof typeof CM | undefined;
  while (rest !== '') {
    const found = PART.exec(rest);
    if (!found) return NaN;
    rest = rest.slice(found[0].length).replace(/^(,|and)\s*/i, '');
    const bare: keyof typeof CM =
      before === 'ft' ? 'in' : units === 'metric' ? into : into === 'm' ? 'ft' : 'in';
    if (before !== undefined && before !== 'ft' && before !== 'm') return NaN;
    const unit = found[2] ? NAMES[found[2].toLowerCase()]! : before === 'm' ? 'cm' : bare;
    if (before !== undefined && CM[unit] >= CM[before]) return NaN;
    cm += number(found[1]!) * CM[unit];
    before = unit;
  }
  return Math.round((into === 'm' ? cm / 100 : cm) * 1000) / 1000;
}

function number(text: string): number {
  const [whole, fraction] = text.includes('/') && text.includes(' ') ? text.split(/\s+/) : ['0', text];
  if (text.includes('/')) {
    const [top, bottom] = fraction!.split('/').map(Number);
    return Number(whole) + top! / bottom!;
  }
  return Number(text.replace(',', '.'));
}

/** A length as it is shown in a field: 4.2, or 13' 9" and 5.5 for whoever measures in feet and inches. */
export function writeLength(value: number, from: Length, units: Units): string {
  if (units === 'metric') return String(Math.round(value * 100) / 100);
  const inches = (value * CM[from]) / CM.in;
  if (from === 'cm') return String(Math.round(inches * 10) / 10);
  const whole = Math.round(inches);
  return Math.floor(whole / 12) + "' " + (whole % 12) + '"';
}

const KEY = 'bough-units-';

/** How a person measures. */
export const unitsOf = (person: string | null): Units =>
  localStorage.getItem(KEY + (person ?? '')) === 'imperial' ? 'imperial' : 'metric';

export const keepUnits = (person: string | null, units: Units) =>
  localStorage.setItem(KEY + (person ?? ''), units);
