import { lengthInWords, weightInWords } from './measure';

/** Numbers and dates as people write them. */

// Written by hand: the browser's own formatters take a slow phone some 40 ms each before the first date stands.
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sept', 'Oct', 'Nov', 'Dec'];
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const two = (value: number) => String(value).padStart(2, '0');

/** Feb, from 0 for January. */
export const month = (index: number) => MONTHS[index]!;

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
export const date = (iso: string) => dayAndMonth(iso) + ' ' + iso.slice(0, 4);

/** Tue */
export const weekday = (iso: string) => WEEKDAYS[new Date(iso + 'T00:00:00Z').getUTCDay()]!;

/** 16 Feb */
export const dayAndMonth = (iso: string) => +iso.slice(8, 10) + ' ' + month(+iso.slice(5, 7) - 1);

/** 1 Feb – 31 Mar 2027 */
export function dates(from: string, to: string): string {
  return (from.slice(0, 4) === to.slice(0, 4) ? dayAndMonth(from) : date(from)) + ' – ' + date(to);
}

/** 14:05, as clocks show it here. */
export function time(iso: string): string {
  const at = new Date(iso);
  return two(at.getHours()) + ':' + two(at.getMinutes());
}

/** 16 Feb 2027, 14:05 */
export function dateTime(iso: string): string {
  const at = new Date(iso);
  return `${at.getDate()} ${month(at.getMonth())} ${at.getFullYear()}, ${time(iso)}`;
}

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
