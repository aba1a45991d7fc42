import { lengthInWords, weightInWords } from './measure';

/** Numbers and dates as people write them. */

/** Made when it is first wanted: each takes a slow phone some 40 ms. */
function formatter(options: Intl.DateTimeFormatOptions) {
  let made: Intl.DateTimeFormat | undefined;
  return { format: (at: Date) => (made ??= new Intl.DateTimeFormat('en-GB', options)).format(at) };
}
const day = formatter({ day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
const dayOnly = formatter({ day: 'numeric', month: 'short', timeZone: 'UTC' });
const moment = formatter({ dateStyle: 'medium', timeStyle: 'short' });

/** 29 %, and under one per cent still something. */
export function percent(share: number): string {
  if (share > 0 && share < 0.005) return 'under 1 %';
  return Math.round(share * 100) + ' %';
}

/** 4.1 m, or 13 ft 5 in */
export const metres = (value: number) => lengthInWords(value, 'm');

/** 8.5 cm, 12 cm, or 4.7 in */
export const centimetres = (value: number) => lengthInWords(value, 'cm');

/** 40 kg, or 88 lb */
export const kilos = weightInWords;

/** 16 Feb 2027 */
export const date = (iso: string) => day.format(new Date(iso + 'T00:00:00Z'));

/** Tue */
export const weekday = (iso: string) =>
  new Date(iso + 'T00:00:00Z').toLocaleDateString('en-GB', { weekday: 'short', timeZone: 'UTC' });

/** 16 Feb */
export const dayAndMonth = (iso: string) => dayOnly.format(new Date(iso + 'T00:00:00Z'));

/** 1 Feb – 31 Mar 2027 */
export function dates(from: string, to: string): string {
  return (from.slice(0, 4) === to.slice(0, 4) ? dayAndMonth(from) : date(from)) + ' – ' + date(to);
}

/** 16 Feb 2027, 14:05 */
export const dateTime = (iso: string) => moment.format(new Date(iso));

/** about 40 person-minutes, about 2¼ person-hours: two people an hour are 2 person-hours. */
export const personMinutes = (value: number) => minutes(value).replace(/(minutes?|hours?)$/, 'person-$1');

/** about 40 minutes, about 2¼ hours */
export function minutes(value: number): string {
  if (value < 15) return value + (value === 1 ? ' minute' : ' minutes');
  if (value < 95) return 'about ' + Math.round(value / 5) * 5 + ' minutes';
  const quarters = Math.round(value / 15);
  const part = ['', '¼', '½', '¾'][quarters % 4];
  return 'about ' + Math.floor(quarters / 4) + part + ' hours';
}

/** sweet-cherry becomes sweet cherry. */
export const words = (code: string) => code.replaceAll('-', ' ');

/** Sweet cherry */
export const Words = (code: string) => words(code).charAt(0).toUpperCase() + words(code).slice(1);

/** seen from the south-west */
export function compass(deg: number): string {
  const names = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];
  return names[Math.round((((deg % 360) + 360) % 360) / 45) % 8] as string;
}

/** "1 year", "3 years". */
export const counted = (count: number, what: string): string => `${count} ${what}${count === 1 ? '' : 's'}`;
