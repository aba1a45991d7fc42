import { expect, it } from 'vitest';
import { readDay } from './day';

it.each([
  ['6 March', '2027-03-06'],
  ['6 Mar 2028', '2028-03-06'],
  ['6th march, 2028', '2028-03-06'],
  ['Mar 6, 2027', '2027-03-06'],
  ['Saturday 6 March 2027', '2027-03-06'],
  ['6.3.2027', '2027-03-06'],
  ['06/03/27', '2027-03-06'],
  ['2027-03-06', '2027-03-06'],
  ['29 Feb 2028', '2028-02-29'],
])('%s is %s', (written, meant) => expect(readDay(written, 2027)).toBe(meant));

it.each(['', 'soon', '30 Feb 2027', '3/25/2027', '6', '6 Mai 2027x', '2027-13-01'])(
  '%s is no day',
  (written) => expect(readDay(written, 2027)).toBeUndefined(),
);
