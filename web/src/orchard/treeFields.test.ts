import { expect, it } from 'vitest';
import openApi from '../../../docs/api/openapi.json?raw';
import { TREE, TREE_FIELDS } from './treeFields';

const ofServer = (
  JSON.parse(openApi) as {
    components: { schemas: { TreeData: { properties: Record<string, { maxLength?: number }> } } };
  }
).components.schemas.TreeData.properties;

it('asks for all that the server registers of a tree, and for nothing else', () => {
  expect([...TREE.names].sort()).toEqual(Object.keys(ofServer).sort());
});

it('takes as long a text as the server does', () => {
  for (const field of TREE_FIELDS) {
    if (field.kind === 'text')
      expect([field.name, field.most]).toEqual([field.name, ofServer[field.name]?.maxLength]);
  }
});
