import type { Drawing, LimbAnswer } from '../api/client';
import { compass } from '../parts/format';
import { seen, type Standing, type View } from './projection';
import { Wood, CutMark, Tags } from './limbs';
import type { Mark } from './marks';
import { Ground, Compass } from './surroundings';
import { SmallWood, Leaf, Share } from './leaves';

/** With more main limbs than this their shares of light would lie on each other. */
const MOST_SHARES = 8;

/** The tree to scale from its limbs, with the cuts marked. */
export function TreeDrawing({
  drawing,
  limbs,
  standing,
  view,
  picked,
  onPick,
  marks,
  light,
  reachM = drawing,
  plain = false,
  children,
}: {
  drawing: Drawing;
  limbs: Map<string, LimbAnswer>;
  standing: Standing[];
  view: View;
  picked?: string;
  onPick?: (id: string) => void;
  marks: Map<string, Mark>;
  /** Share of open-sky light on each limb; without it leaf is shown green. */
  light?: Map<string, number>;
  /** How high and wide the sheet must be; other years of the same tree want the same scale. */
  reachM?: { heightM: number; spreadM: number };
  /** Without tags and shares: small, beside others. */
  plain?: boolean;
  /** What else stands in the tree, drawn over the leaf. */
  children?: React.ReactNode;
}) {
  const parents = new Map(drawing.limbs.map((limb) => [limb.id, limb.parent]));
  const goes = (id: string | null | undefined): boolean =>
    !!id && (marks.get(id)?.kind === 'remove' || goes(parents.get(id)));
  const above = view === 'above';
  const reach = Math.max(
    reachM.spreadM / 2,
    ...drawing.limbs.map((limb) => Math.hypot(limb.tip.eastM, limb.tip.northM) + limb.leafAcrossM * 0.6),
    1.5,
  );
  const top = Math.max(reachM.heightM, ...drawing.limbs.map((limb) => limb.tip.upM)) + 0.35;
  const left = -reach - 0.75;
  const width = 2 * reach + 1.5;
  const upper = above ? -reach - 0.3 : -top;
  const height = above ? 2 * reach + 0.6 : top + 0.45;
  const text = Math.max(height, width) / 38;
  const inOrder = [...standing].sort(
    (one, other) => seen(one.limb.tip, view).near - seen(other.limb.tip, view).near,
  );
  const trunk = drawing.trunkDiameterCm / 200;
  const mains = inOrder.filter((one) => one.limb.parent == null).length;
  return (
    <svg
      className="tree-drawing"
      viewBox={`${left} ${upper} ${width} ${height}`}
      role="group"
      aria-label={above ? 'The tree from above, north up' : 'The tree seen from the ' + compass(view)}
    >
      <defs>
        <pattern
          id="dead-wood"
          width="0.07"
          height="0.07"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="0.07" height="0.07" fill="var(--sheet)" />
          <rect width="0.03" height="0.07" fill="var(--faint)" />
        </pattern>
      </defs>
      {above ? (
        <Compass at={left + width - text * 1.6} top={upper + text} text={text} />
      ) : (
        <Ground left={left} width={width} text={text} drawing={drawing} top={top} />
      )}
      {above && (
        <circle r={drawing.trunkDiameterCm / 200} fill="var(--bark)" stroke="var(--ink)" strokeWidth={0.02} />
      )}
      {!above && (
        <path
          d={`M${-trunk * 1.25} 0L${-trunk * 0.9} ${-drawing.trunkTopM - 0.05}H${trunk * 0.9}L${trunk * 1.25} 0Z`}
          fill="var(--bark)"
          stroke="var(--ink)"
          strokeWidth={0.02}
        />
      )}
      {inOrder.map((one) => (
        <Leaf key={one.limb.id} standing={one} view={view} light={light?.get(one.limb.id)} />
      ))}
      {children}
      {inOrder.map((one) => (
        <Wood
          key={one.limb.id}
          standing={one}
          view={view}
          answer={limbs.get(one.limb.id)}
          going={goes(one.limb.id)}
          picked={picked === one.limb.id}
          onPick={onPick}
        />
      ))}
      {inOrder.map((one) => (
        <CutMark key={one.limb.id} limb={one.limb} mark={marks.get(one.limb.id)} view={view} text={text} />
      ))}
      {!plain && drawing.smallWood && <SmallWood is={drawing.smallWood} above={above} text={text} />}
      {light &&
        !plain &&
        inOrder
          // One in each main limb, and in the one picked: all would hide the tree, as a bush's many stems would.
          .filter((one) => (one.limb.parent == null && mains <= MOST_SHARES) || one.limb.id === picked)
          .map((one) => (
            <Share key={one.limb.id} standing={one} view={view} text={text} light={light.get(one.limb.id)} />
          ))}
      {!plain && (
        <Tags
          standing={inOrder}
          view={view}
          text={text}
          picked={picked}
          goes={goes}
          onPick={onPick}
          edge={[left + text, left + width - text]}
        />
      )}
    </svg>
  );
}
