import { VERDICTS } from './verdict';

/** What days, people and kit are called. */

export const DAY_STATES: Record<string, string> = {
  planned: 'planned',
  confirmed: 'confirmed',
  'rained-off': 'rained off',
  'called-off': 'called off',
};

/** Whether a day takes place no more. */
export const isOff = (state: string) => state === 'rained-off' || state === 'called-off';

export const TICKET_NAMES: Record<string, string> = {
  lead: 'crew leader',
  'first-aid': 'first aid',
  ladder: 'ladder',
  'pole-saw': 'pole saw',
  'powered-saw': 'powered saw',
  climbing: 'climbing',
  arborist: 'arborist',
};

export const KIT: Record<string, string> = {
  ladder: 'ladder',
  secateurs: 'secateurs',
  loppers: 'loppers',
  saw: 'hand saw',
  'pole-pruner': 'pole pruner',
  'pole-saw': 'pole saw',
  spreader: 'sticks and ties',
  rope: 'rope',
  helmet: 'helmets and eye cover',
  gloves: 'thorn gloves',
};

/** What a shed of a small group holds, to start from. */
export const USUAL_SHED: Record<string, number> = {
  ladder: 2,
  secateurs: 6,
  loppers: 4,
  saw: 4,
  'pole-pruner': 1,
  'pole-saw': 0,
  spreader: 20,
  rope: 1,
  helmet: 6,
  gloves: 6,
};

/** Remove C, D; shorten A1; 12 young shoots; the ordinary yearly cutting. */
export function cutsInWords(
  cuts: { limb: string; kind: string; urgent: boolean }[],
  shoots: number,
  upkeepMinutes: number,
  tasks: { text: string }[] = [],
): string {
  const parts = ['remove', 'shorten', 'bend']
    .map((kind) => ({ kind, limbs: cuts.filter((cut) => cut.kind === kind).map((cut) => cut.limb) }))
    .filter((group) => group.limbs.length > 0)
    .map((group) => VERDICTS[group.kind] + ' ' + group.limbs.join(', '));
  if (shoots > 0) parts.push(shoots + ' young shoots');
  tasks.forEach((task) =>
    parts.push(task.text.replace(/[.:;,].*$/s, '').replace(/^./, (c) => c.toLowerCase())),
  );
  if (upkeepMinutes > 0) parts.push('the ordinary yearly cutting');
  const text = parts.join('; ');
  return text.charAt(0).toUpperCase() + text.slice(1) + '.';
}
