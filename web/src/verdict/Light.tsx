import type { Judgement, LimbAnswer } from '../api/client';
import { percent } from '../parts/format';

/** What a cut is worth against what it takes. */
export function WorthOf({ limb }: { limb: LimbAnswer }) {
  const parts = limb.worthOf;
  if (limb.worth == null || !parts) return null;
  return (
    <p
      className="mb-0"
      title="Risk, light and form together, each from 0 to 100; our own assumptions, see Numbers"
    >
      Worth {Math.round(limb.worth * 100)} of 100 for {percent(parts.crownTaken)} of the crown:{' '}
      {[
        parts.risk > 0 && 'danger or sickness taken away ' + Math.round(parts.risk * 100),
        parts.lightLetIn > 0.0005 &&
          'lets in ' + (parts.lightLetIn * 100).toFixed(1) + ' % light on what fruits and stays',
        parts.form > 0 && 'form ' + Math.round(parts.form * 100),
      ]
        .filter(Boolean)
        .join(', ') || 'little'}
      .
    </p>
  );
}

/** What shades a limb and what it shades; limbs can be picked. */
export function ShadeOf({
  limb,
  judgement,
  onPick,
}: {
  limb: string;
  judgement: Judgement;
  onPick: (id: string) => void;
}) {
  const shade = judgement.shading.find((one) => one.limb === limb);
  if (!shade || shade.shadedBy.length + shade.shades.length === 0) return null;
  const list = (shades: typeof shade.shades) =>
    shades.slice(0, 5).map((one, i) => (
      <span key={(one.neighbour ? 'tree ' : '') + one.name + i}>
        {i > 0 && ', '}
        {one.neighbour ? (
          one.name || 'a neighbour'
        ) : (
          <button type="button" className="btn btn-link p-0 align-baseline" onClick={() => onPick(one.name)}>
            {one.name}
          </button>
        )}{' '}
        {percent(one.takes)}
      </span>
    ));
  return (
    <p className="mb-0">
      {shade.shadedBy.length > 0 && <>Shaded by {list(shade.shadedBy)}. </>}
      {shade.shades.length > 0 && <>Takes light from {list(shade.shades)}.</>}
    </p>
  );
}

/** How much of what fruits has light enough, before and after the plan, and what neighbours take. */
export function LightSummary({ judgement }: { judgement: Judgement }) {
  const { light } = judgement.evaluation;
  const shades = (list: typeof light.takenByNeighbours) =>
    list
      .slice(0, 3)
      .map((one) => (one.name || 'a neighbour') + ' ' + percent(one.takes))
      .join(', ');
  return (
    <p className="mb-1">
      <strong>Light.</strong>{' '}
      {light.inLightBefore == null
        ? 'Nothing on it is known to fruit, so its fruiting wood in light is not known. '
        : percent(light.inLightBefore) +
          ' of its fruiting wood has light enough for fruit buds (30 % of the open sky’s)' +
          (light.inLightAfter == null || percent(light.inLightAfter) === percent(light.inLightBefore)
            ? '. '
            : '; after the plan ' + percent(light.inLightAfter) + '. ')}
      {light.takenByNeighbours.length > 0 && 'Neighbours take: ' + shades(light.takenByNeighbours) + '. '}
      {light.castOnNeighbours.length > 0 && 'It takes from: ' + shades(light.castOnNeighbours) + '.'}
    </p>
  );
}
