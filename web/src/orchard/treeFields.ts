import type { TreeData } from '../api/client';
import { type Field, formOf } from '../parts/formOf';
import { Words } from '../parts/format';
import { BEARINGS, CONSENTS, FORMS, HABITS, HEIGHT_SET_BY, PURPOSES, SPECIES } from '../vocabulary/orchard';

const NOT_PLACED = 'Click on the plan, or give metres.';
const NOT_SAID = 'Not said';

/** All that is registered of a tree, in the order in which it is asked. */
export const TREE_FIELDS: readonly Field<TreeData>[] = [
  {
    name: 'tag',
    label: 'Tag',
    hint: 'What hangs on the tree',
    kind: 'text',
    most: 40,
    missing: 'Give the tag that hangs on the tree.',
  },
  {
    name: 'species',
    label: 'Kind',
    kind: 'choice',
    none: 'Choose',
    options: Object.fromEntries(SPECIES.map((species) => [species, Words(species)])),
    missing: 'Choose the kind.',
  },
  { name: 'cultivar', label: 'Cultivar', kind: 'text', most: 80 },
  { name: 'rootstock', label: 'Rootstock', kind: 'text', most: 80 },
  { name: 'plantedYear', label: 'Year planted', kind: 'whole', as: 'the year' },
  { name: 'bearing', label: 'Where it fruits', kind: 'choice', options: BEARINGS, start: 'unknown' },
  { name: 'form', label: 'Form now', kind: 'choice', options: FORMS, none: NOT_SAID },
  { name: 'formWanted', label: 'Form wanted', kind: 'choice', options: FORMS, none: 'As usual for the kind' },
  { name: 'mainsWanted', label: 'Main branches wanted', kind: 'whole', as: 'the number' },
  { name: 'purpose', label: 'Grown for', kind: 'choice', options: PURPOSES, start: 'picking' },
  {
    name: 'targetHeightM',
    label: 'Height wanted',
    hint: 'Empty: none is wanted',
    kind: 'number',
    unit: 'm',
    as: 'metres',
  },
  {
    name: 'clearanceM',
    label: 'Clear beneath',
    hint: 'For mowing or browsing',
    kind: 'number',
    unit: 'm',
    as: 'metres',
  },
  {
    name: 'heightSetBy',
    label: 'What sets the height',
    kind: 'choice',
    options: HEIGHT_SET_BY,
    none: NOT_SAID,
  },
  { name: 'habit', label: 'Natural habit', kind: 'choice', options: HABITS, none: NOT_SAID },
  {
    name: 'groupName',
    label: 'Group',
    hint: 'Trees of one name are kept in balance',
    kind: 'text',
    most: 80,
  },
  { name: 'owner', label: 'Owner', hint: 'When it is not the group', kind: 'text', most: 80 },
  { name: 'consent', label: 'Consent', kind: 'choice', options: CONSENTS, none: NOT_SAID },
  { name: 'ownerWishes', label: 'What the owner wants', kind: 'text', most: 2000 },
  { name: 'note', label: 'Note', kind: 'text', most: 2000, lines: 2 },
  { name: 'inContainer', label: 'Grows in a container', kind: 'yes' },
  { name: 'eastM', label: 'East', kind: 'number', unit: 'm', as: 'metres', missing: NOT_PLACED },
  { name: 'northM', label: 'North', kind: 'number', unit: 'm', as: 'metres', missing: NOT_PLACED },
];

export const TREE = formOf(TREE_FIELDS);
