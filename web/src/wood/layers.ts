import type { Diseases, TreeWood } from '../api/client';

/** Of each tree a word and a colour. */
export type Layer = Map<number, { said: string; tone: string }>;

const GRADE_TONES: Record<string, string> = {
  A: 'var(--leaf)',
  B: 'var(--leaf-pale)',
  C: 'var(--quince)',
  D: 'var(--damson)',
  E: 'var(--rust)',
};

export const gradeLayer = (wood: TreeWood[]): Layer =>
  new Map(
    wood.map((tree) => [
      tree.treeId,
      { said: tree.grade ?? '?', tone: tree.grade ? GRADE_TONES[tree.grade]! : 'var(--sheet)' },
    ]),
  );

/** From where on a tree is much at risk: as near to a sick one as a third of the reach. */
const MUCH = 0.37;

/** The sick, those at risk by how much, and those that can have it. */
export function diseaseLayer(seen: Diseases, wanted: string | undefined): Layer {
  const disease = seen.diseases.find((one) => one.disease === wanted) ?? seen.diseases[0];
  const layer: Layer = new Map();
  if (!disease) return layer;
  for (const one of disease.sick) layer.set(one.treeId, { said: 'sick', tone: 'var(--rust)' });
  for (const one of disease.atRisk)
    layer.set(one.treeId, {
      said: one.suspected ? 'suspected' : 'risk ' + one.risk.toFixed(1),
      tone: one.suspected ? 'var(--damson)' : one.risk >= MUCH ? 'var(--quince)' : 'var(--leaf-pale)',
    });
  return layer;
}
