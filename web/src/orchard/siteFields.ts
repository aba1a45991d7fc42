import type { SiteData } from '../api/client';
import { type Field, formOf } from '../parts/formOf';
import { SCHOOLS } from '../vocabulary/orchard';

export type Policy = SiteData['policy'];

const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

const ZONES = Object.fromEntries(
  [...new Set([HERE, ...Intl.supportedValuesOf('timeZone')])].map((zone) => [
    zone,
    zone.replaceAll('_', ' '),
  ]),
);

/** What is said of a site but for its climate. */
export const SITE_FIELDS: readonly Field<SiteData>[] = [
  { name: 'name', label: 'Name', kind: 'text', most: 80, missing: 'Give the site a name.' },
  {
    name: 'latitude',
    label: 'Latitude',
    hint: 'South is negative',
    kind: 'number',
    unit: 'degrees north',
    as: 'degrees',
    range: [-90, 90],
    missing: 'Give degrees from -90 to 90.',
  },
  {
    name: 'longitude',
    label: 'Longitude',
    hint: 'West is negative',
    kind: 'number',
    unit: 'degrees east',
    as: 'degrees',
    range: [-180, 180],
    missing: 'Give degrees from -180 to 180.',
  },
  {
    name: 'timeZone',
    label: 'Time zone',
    kind: 'choice',
    none: 'Choose',
    options: ZONES,
    start: HERE,
    missing: 'Choose one.',
  },
  {
    name: 'policyNote',
    label: 'Why chosen so',
    hint: 'Shown wherever a choice matters',
    kind: 'text',
    most: 500,
  },
];

/** Where practitioners differ, and what the site goes by. */
export const POLICY_FIELDS: readonly Field<Policy>[] = [
  ...Object.entries(SCHOOLS).map(([name, school]): Field<Policy> => ({
    name: name as keyof Policy,
    label: school.label,
    kind: 'choice',
    options: school.options,
    start: Object.keys(school.options)[0],
  })),
  {
    name: 'summerAllowance',
    label: 'Of the crown in summer',
    hint: 'Apples, pears and their like',
    kind: 'number',
    unit: '%',
    as: 'a percentage',
    range: [0, 34],
    percent: true,
    missing: 'Give a percentage from 0 to 34.',
  },
  {
    name: 'bigCuts',
    label: 'Big cuts a tree a year',
    kind: 'choice',
    options: { '3': 'Three – the usual limit', '2': 'Two – more careful' },
    start: '3',
  },
];

export const SITE = formOf(SITE_FIELDS);
export const POLICY = formOf(POLICY_FIELDS);
