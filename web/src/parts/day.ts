/** Days as people write them, in the order day, month, year. */
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const ISO = /^(\d{4})-(\d{1,2})-(\d{1,2})$/;
const NUMBERS = /^(\d{1,2})[./ -](\d{1,2})[./ -](\d{4}|\d{2})$/;
const DAY_FIRST = /^(\d{1,2})(?:st|nd|rd|th)?\.? ([a-z]{3,9})\.?(?:,? (\d{4}))?$/;
const MONTH_FIRST = /^([a-z]{3,9})\.? (\d{1,2})(?:st|nd|rd|th)?(?:,? (\d{4}))?$/;
const CENTURY = 2000;

function iso(year: number, month: number, day: number): string | undefined {
  const at = new Date(Date.UTC(year, month - 1, day));
  const real = at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day;
  return real ? at.toISOString().slice(0, 10) : undefined;
}

const monthOf = (name: string) => {
  const found = MONTHS.findIndex((month) => name.startsWith(month));
  return found < 0 ? NaN : found + 1;
};

/**
 * What was written as a day, as 2027-03-06: "6 March", "6 Mar 2027", "Mar 6, 2027", "6.3.2027", "6/3/27", "2027-03-06".
 * Of two numbers the first is the day. Without a year it is in {@code year}. Nothing and no day at all give undefined.
 */
export function readDay(text: string, year: number): string | undefined {
  const plain = text
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/^[a-z]+day,? /, '');
  let found = ISO.exec(plain);
  if (found) return iso(Number(found[1]), Number(found[2]), Number(found[3]));
  found = NUMBERS.exec(plain);
  if (found) {
    const written = Number(found[3]);
    return iso(written < 100 ? CENTURY + written : written, Number(found[2]), Number(found[1]));
  }
  found = DAY_FIRST.exec(plain);
  if (found) return iso(Number(found[3] ?? year), monthOf(found[2]!), Number(found[1]));
  found = MONTH_FIRST.exec(plain);
  if (found) return iso(Number(found[3] ?? year), monthOf(found[1]!), Number(found[2]));
  return undefined;
}
