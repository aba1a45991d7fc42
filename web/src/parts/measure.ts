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
  const sign = /^[-−]/.test(rest) ? -1 : 1;
  rest = rest.replace(/^[-−]\s*/, '');
  if (rest === '') return NaN;
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
  return (sign * Math.round((into === 'm' ? cm / 100 : cm) * 1000)) / 1000;
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
  const whole = Math.round(Math.abs(inches));
  return (inches < 0 ? '-' : '') + Math.floor(whole / 12) + "' " + (whole % 12) + '"';
}

/** Metres or centimetres as text of its own: 4.2 m, 12 cm; 13 ft 9 in, 4.7 in. */
export function lengthInWords(value: number, from: Length): string {
  if (shownIn === 'metric')
    return (from === 'm' || value < 10 ? value.toFixed(1) : value.toFixed(0)) + ' ' + from;
  if (from === 'cm') return (value / CM.in).toFixed(1) + ' in';
  const inches = Math.round((value * CM.m) / CM.in);
  const feet = Math.floor(Math.abs(inches) / 12);
  const rest = Math.abs(inches) % 12;
  return (inches < 0 ? '−' : '') + (feet ? feet + ' ft' + (rest ? ' ' + rest + ' in' : '') : rest + ' in');
}

/** A length as exactly as somebody gave it: 12 cm, 0.5 m; 4.7 in. */
export const lengthAsGiven = (value: number, from: Length) =>
  shownIn === 'metric' ? Math.round(value * 100) / 100 + ' ' + from : lengthInWords(value, from);

const KG_IN_LB = 0.45359237;
const ROUGH_KG = 40;

/** A weight as text, to a tenth while it is small: 31.5 kg, 80 kg; 69.4 lb. */
export function weightInWords(kg: number): string {
  const value = shownIn === 'metric' ? kg : kg / KG_IN_LB;
  const unit = shownIn === 'metric' ? ' kg' : ' lb';
  if (value > 0 && value < 0.05) return 'under 0.1' + unit;
  return (kg < ROUGH_KG ? Math.round(value * 10) / 10 : Math.round(value)) + unit;
}

let shownIn: Units = 'metric';

/** How lengths are shown now. */
export const unitsShown = () => shownIn;

/** A field's unit by its name, as it is measured now. */
export const unitName = (unit: Length) =>
  shownIn === 'metric' ? unit : unit === 'm' ? 'feet and inches' : 'inches';

/** Shows everything so from now on; the server, asked by this page, writes its sentences so too. */
export function showIn(units: Units) {
  shownIn = units;
  document.cookie = 'bough-units=' + units + '; path=/; max-age=31536000; samesite=lax';
}

const KEY = 'bough-units-';

/** How a person measures. */
export const unitsOf = (person: string | null): Units =>
  localStorage.getItem(KEY + (person ?? '')) === 'imperial' ? 'imperial' : 'metric';

export function keepUnits(person: string | null, units: Units) {
  localStorage.setItem(KEY + (person ?? ''), units);
  showIn(units);
}
