import { useQuery } from '@tanstack/react-query';
import { type ClipboardEvent, useEffect } from 'react';
import { Form } from 'react-bootstrap';
import { type UseFormReturn, useWatch } from 'react-hook-form';
import { api, unwrap } from '../api/client';
import { useSites } from '../api/orchard';
import { decimal } from '../parts/fields';
import { MONTHS } from '../vocabulary/orchard';
import { type Fields, ROWS, type Row12 } from './siteForm';

type Year = Record<Row12, number[] | undefined>;

/** Average years of places near a point. */
const useClimates = (latitude: number | null, longitude: number | null) => {
  const known =
    latitude !== null && longitude !== null && Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180;
  return useQuery({
    queryKey: ['climates', latitude, longitude],
    enabled: known,
    queryFn: async () =>
      unwrap(
        await api.GET('/api/climates', { params: { query: { latitude: latitude!, longitude: longitude! } } }),
      ).map((one) => ({
        name: one.name,
        year: {
          monthlyMeanC: one.meanC,
          monthlyRainMm: one.rainMm,
          monthlyMinC: one.minC,
          monthlyMaxC: one.maxC,
        } satisfies Year,
      })),
  });
};

/** What the year is like: proposed by the place, copied from another site, or given in numbers. */
export function Climate({ form, siteId }: { form: UseFormReturn<Fields>; siteId?: number }) {
  const errors = form.formState.errors.months;
  const typed = useWatch({ control: form.control }) as Fields;
  const number = (name: 'latitude' | 'longitude') => {
    const value = decimal(String(typed.site?.[name] ?? ''));
    return value === null || Number.isNaN(value) ? null : value;
  };
  const near = useClimates(number('latitude'), number('longitude')).data;
  const others = (useSites().data ?? []).filter((one) => one.id !== siteId);
  const empty = ROWS.every(([row]) => typed.months?.[row]?.every((text) => !text));
  const take = (year: Year) => {
    for (const [row] of ROWS)
      form.setValue(
        `months.${row}`,
        MONTHS.map((_, i) => String(year[row]?.[i] ?? '')),
        { shouldDirty: true, shouldValidate: form.formState.isSubmitted },
      );
  };
  // Whoever gave a point and no numbers begins with those of the nearest place.
  const proposed = near?.[0];
  useEffect(() => {
    if (empty && proposed) take(proposed.year);
    // Only when something is proposed for fields that stand empty.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [proposed]);
  const choices = [
    ...(near ?? []).map((one) => ({ key: one.name, name: one.name, year: one.year as Year })),
    ...others.map((one) => ({
      key: 'site-' + one.id,
      name: 'as at ' + one.data.name,
      year: one.data as unknown as Year,
    })),
  ];
  const chosen = choices.find(({ year }) =>
    ROWS.every(([row]) => MONTHS.every((_, i) => String(year[row]?.[i] ?? '') === typed.months?.[row]?.[i])),
  );
  /** Twelve numbers pasted into one field fill its row. */
  const pasted = (e: ClipboardEvent, row: Row12) => {
    const numbers = e.clipboardData
      .getData('text')
      .trim()
      .split(/[\s;]+/);
    if (numbers.length !== MONTHS.length) return;
    e.preventDefault();
    form.setValue(`months.${row}`, numbers, { shouldDirty: true, shouldValidate: true });
  };
  return (
    <section aria-label="Climate">
      <h2>Its year</h2>
      <div className="d-flex flex-wrap gap-3 align-items-end mb-2">
        <div>
          <Form.Label htmlFor="climate-from">Weather like</Form.Label>
          <Form.Select
            id="climate-from"
            style={{ width: 'auto', maxWidth: '100%' }}
            value={chosen?.key ?? ''}
            onChange={(e) => {
              const choice = choices.find((one) => one.key === e.target.value);
              if (choice) take(choice.year);
            }}
          >
            {!chosen && <option value="">{empty ? 'give its point first' : 'its own numbers'}</option>}
            {choices.map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}
              </option>
            ))}
          </Form.Select>
        </div>
        <YearPicture months={typed.months} />
      </div>
      <p className="faint small">
        Proposed from a table of some fifty climates by place: our own figures, rounded, from memory. A
        weather station near you is better.
      </p>
      <details className="mb-3" open={Object.keys(errors ?? {}).length > 0 || undefined}>
        <summary>I have better numbers</summary>
        <p className="faint small mb-1">
          A row of twelve copied from a table can be pasted into any of its fields.
        </p>
        <div className="table-responsive">
          <table className="table table-sm" style={{ minWidth: 860 }}>
            <thead>
              <tr>
                <th></th>
                {MONTHS.map((month) => (
                  <th key={month}>{month}</th>
                ))}
              </tr>
            </thead>
            <tbody>
              {ROWS.map(([row, name, spoken]) => (
                <tr key={row}>
                  <th className="text-nowrap">{name}</th>
                  {MONTHS.map((month, i) => (
                    <td key={month} className="p-1">
                      <Form.Control
                        size="sm"
                        inputMode="decimal"
                        aria-label={month + ' ' + spoken}
                        isInvalid={!!errors?.[row]?.[i]}
                        {...form.register(`months.${row}.${i}`)}
                        onPaste={(e) => pasted(e, row)}
                      />
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
      {(errors?.monthlyMeanC || errors?.monthlyRainMm) && (
        <p className="text-danger small">Give all twelve months: mean temperature in °C and rain in mm.</p>
      )}
      {(errors?.monthlyMinC || errors?.monthlyMaxC) && (
        <p className="text-danger small">
          Coldest nights and warmest days: give all twelve months of both in °C, or none.
        </p>
      )}
      <p className="faint small">
        The usual coldest of nights and warmest of days sharpen when buds swell and frost ends; leave both
        rows empty where they are not known.
      </p>
    </section>
  );
}

/** Warmth as a line, rain as bars, month by month. */
function YearPicture({ months }: { months?: Fields['months'] }) {
  const value = (row: Row12, i: number) => {
    const found = decimal(months?.[row]?.[i] ?? '');
    return found === null || Number.isNaN(found) ? undefined : found;
  };
  const warm = MONTHS.map((_, i) => value('monthlyMeanC', i));
  const rain = MONTHS.map((_, i) => value('monthlyRainMm', i));
  if (warm.some((one) => one === undefined) || rain.some((one) => one === undefined)) return null;
  const most = Math.max(100, ...(rain as number[]));
  const y = (c: number) => 62 - ((c + 10) / 40) * 54;
  return (
    <svg
      viewBox="0 0 300 82"
      className="year-picture"
      role="img"
      aria-label="Its year: warmth and rain by month"
    >
      {rain.map((mm, i) => (
        <rect key={i} x={i * 25 + 5} width={15} y={66 - (mm! / most) * 50} height={(mm! / most) * 50}>
          <title>{MONTHS[i] + ': ' + mm + ' mm, ' + warm[i] + ' °C'}</title>
        </rect>
      ))}
      <line x1={0} x2={300} y1={y(0)} y2={y(0)} strokeDasharray="3 3" stroke="var(--slate)" />
      <polyline
        points={warm.map((c, i) => i * 25 + 12.5 + ',' + y(c!)).join(' ')}
        fill="none"
        stroke="var(--rust)"
        strokeWidth={2}
      />
      {MONTHS.map((month, i) => (
        <text key={month} x={i * 25 + 12.5} y={79} fontSize={12.5} textAnchor="middle">
          {month[0]}
        </text>
      ))}
    </svg>
  );
}
