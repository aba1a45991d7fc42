import { describe, expect, it } from 'vitest';
import { compass, date, dates, dateTime, minutes, percent, weekday } from './format';

describe('numbers as people write them', () => {
  it('rounds shares and keeps small ones visible', () => {
    expect(percent(0.286)).toBe('29 %');
    expect(percent(0.003)).toBe('under 1 %');
    expect(percent(0)).toBe('0 %');
  });

  it('gives times about as exactly as they are known', () => {
    expect(minutes(1)).toBe('1 minute');
    expect(minutes(12)).toBe('12 minutes');
    expect(minutes(38)).toBe('about 40 minutes');
    expect(minutes(135)).toBe('about 2¼ hours');
  });

  it('names the year once where one will do', () => {
    expect(dates('2027-02-01', '2027-03-31')).toBe('1 Feb – 31 Mar 2027');
    expect(dates('2027-12-01', '2028-01-31')).toBe('1 Dec 2027 – 31 Jan 2028');
  });

  it('writes days out as people do', () => {
    for (let day = 0; day < 400; day++) {
      const at = new Date(Date.UTC(2027, 0, 1 + day));
      const iso = at.toISOString().slice(0, 10);
      const said = (how: Intl.DateTimeFormatOptions) =>
        at.toLocaleDateString('en-GB', { ...how, timeZone: 'UTC' });
      expect(date(iso)).toBe(said({ day: 'numeric', month: 'short', year: 'numeric' }));
      expect(weekday(iso)).toBe(said({ weekday: 'short' }));
    }
    const moment = new Date(2027, 1, 3, 4, 5);
    expect(dateTime(moment.toISOString())).toBe('3 Feb 2027, 04:05');
  });

  it('names directions', () => {
    expect(compass(180)).toBe('south');
    expect(compass(-45)).toBe('north-west');
    expect(compass(359)).toBe('north');
  });
});
