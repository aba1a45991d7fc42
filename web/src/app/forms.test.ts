import { describe, expect, it } from 'vitest';
import openApi from '../../../docs/api/openapi.json?raw';
import { DAY, DAY_FIELDS } from '../crew/dayFields';
import { PERSON, PERSON_FIELDS } from '../crew/personFields';
import { FRUIT, FRUIT_FIELDS } from '../fruit/fruitFields';
import { POLICY, POLICY_FIELDS, SITE, SITE_FIELDS } from '../orchard/siteFields';
import { TREE, TREE_FIELDS } from '../orchard/treeFields';
import { REMOVAL, REMOVAL_FIELDS } from '../wood/removalFields';

interface Property {
  maxLength?: number;
}
const schemas = (
  JSON.parse(openApi) as { components: { schemas: Record<string, { properties: Record<string, Property> }> } }
).components.schemas;

/** Each form, what the server takes of it, and what of that is entered otherwise than as a field. */
const FORMS = [
  ['TreeData', TREE, TREE_FIELDS, []],
  ['SiteData', SITE, SITE_FIELDS, ['monthlyMeanC', 'monthlyRainMm', 'monthlyMinC', 'monthlyMaxC', 'policy']],
  ['PolicyData', POLICY, POLICY_FIELDS, []],
  ['FruitData', FRUIT, FRUIT_FIELDS, []],
  ['RemovalData', REMOVAL, REMOVAL_FIELDS, []],
  ['PersonData', PERSON, PERSON_FIELDS, ['tickets', 'canCome']],
  ['DayData', DAY, DAY_FIELDS, ['shed']],
] as const;

describe.each(FORMS)('the form of %s', (schema, form, fields, otherwise) => {
  const ofServer = schemas[schema]!.properties;

  it('asks for all that the server takes, and for nothing else', () => {
    expect([...form.names, ...otherwise].sort()).toEqual(Object.keys(ofServer).sort());
  });

  it('takes as long a text as the server does', () => {
    for (const field of fields) {
      if (field.kind === 'text')
        expect([field.name, field.most]).toEqual([field.name, ofServer[field.name]?.maxLength]);
    }
  });
});
