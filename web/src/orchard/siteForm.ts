import { z } from '../parts/zod';
import type { SiteData } from '../api/client';
import { decimal } from '../parts/fields';
import type { Typed } from '../parts/formOf';
import { MONTHS } from '../vocabulary/orchard';
import { POLICY, SITE } from './siteFields';

/** The rows of the climate: field, what stands beside it, what is read out, the least and the most. */
export const ROWS = [
  ['monthlyMeanC', 'Mean, °C', 'mean, degrees C', -60, 50],
  ['monthlyRainMm', 'Rain, mm', 'rain, mm', 0, 3000],
  ['monthlyMinC', 'Nights, °C', 'mean of nights, degrees C', -70, 50],
  ['monthlyMaxC', 'Days, °C', 'mean of days, degrees C', -60, 60],
] as const;
export type Row12 = (typeof ROWS)[number][0];
const SHARPENS: readonly string[] = ['monthlyMinC', 'monthlyMaxC'];

const month = (low: number, high: number, orNone: boolean) =>
  z.string().refine((text) => {
    const value = decimal(text);
    return (orNone && !text.trim()) || (value !== null && value >= low && value <= high);
  });

export const schema = z.object({
  site: SITE.schema,
  policy: POLICY.schema,
  months: z.object(
    Object.fromEntries(
      ROWS.map(([row, , , low, high]) => [row, z.array(month(low, high, SHARPENS.includes(row)))]),
    ) as unknown as Record<Row12, z.ZodArray<z.ZodString>>,
  ),
});
export interface Fields {
  site: Typed;
  policy: Typed;
  months: Record<Row12, string[]>;
}

export const months = (of: (row: Row12, month: number) => string) =>
  Object.fromEntries(ROWS.map(([row]) => [row, MONTHS.map((_, i) => of(row, i))])) as Fields['months'];

export const EMPTY: Fields = {
  site: SITE.empty,
  policy: { ...POLICY.empty, summerAllowance: '10' },
  months: months(() => ''),
};

export const fieldsOf = (site: SiteData): Fields => ({
  site: SITE.typed(site),
  policy: { ...POLICY.typed(site.policy), inGrowth: site.policy.inGrowth ?? 'none' },
  months: months((row, i) => String(site[row]?.[i] ?? '')),
});

/** Twelve numbers, or nothing when no field is filled in; a gap among them is refused by the server, by its month. */
const ifAny = (texts: string[]) =>
  texts.some((text) => text.trim()) ? texts.map((text) => decimal(text) as number) : undefined;

export const dataOf = ({ site, policy, months: typed }: Fields): SiteData => ({
  ...SITE.data(site),
  policy: { ...POLICY.data(policy), bigCuts: Number(policy.bigCuts) },
  monthlyMeanC: ifAny(typed.monthlyMeanC)!,
  monthlyRainMm: ifAny(typed.monthlyRainMm)!,
  monthlyMinC: ifAny(typed.monthlyMinC),
  monthlyMaxC: ifAny(typed.monthlyMaxC),
});

/** Where in the form what the server names stands. */
export const at = (name: string) =>
  name.startsWith('policy.') ? name : (name.startsWith('monthly') ? 'months.' : 'site.') + name;
