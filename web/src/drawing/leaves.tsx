import type { Drawing } from '../api/client';
import { type Placed, placeShares } from './labels';
import type { Places } from './limbs';
import type { Standing } from './projection';
import type { Point } from './skeleton';

/** Small wood that was not entered: where its leaf is taken to be, so that nobody takes it for something seen. */
export function SmallWood({
  is,
  above,
  text,
  corner,
}: {
  is: NonNullable<Drawing['smallWood']>;
  above: boolean;
  text: number;
  /** The sheet's left upper corner, where no limb's tag stands. */
  corner: { x: number; y: number };
}) {
  return (
    <g pointerEvents="none">
      <ellipse
        opacity={0.8}
        cx={0}
        cy={above ? 0 : -is.middleUpM}
        rx={is.halfAcrossM}
        ry={above ? is.halfAcrossM : is.halfUpM}
        className="small-wood"
        strokeWidth={text / 14}
        strokeDasharray={`${text / 8} ${text / 2.5}`}
      />
      <text
        x={corner.x + text * 0.6}
        y={corner.y + text * 1.4}
        fontSize={text}
        className="small-wood-label"
        strokeWidth={text / 6}
        paintOrder="stroke"
      >
        dotted: not entered, {Math.round(is.share * 100)} % of the leaf
      </text>
    </g>
  );
}

/** The light on limbs' leaf, in per cent, where the leaf hangs; what would lie on another word is left out. */
export function Shares({
  standing,
  places,
  text,
  light,
  tags,
}: {
  standing: Standing[];
  places: Places;
  text: number;
  light: Map<string, number>;
  /** Where tags stand. */
  tags: Placed[];
}) {
  const wishes = standing.flatMap(({ limb, left }) => {
    const share = light.get(limb.id);
    if (!limb.leafCentre || left < 0.5 || share === undefined) return [];
    const { eastM, northM, upM } = limb.leafCentre;
    const at: Point = [eastM, northM, upM];
    return [{ id: limb.id, x: places.across(at), y: places.down(at), share }];
  });
  return placeShares(wishes, text, tags).map(({ id, x, y, share }) => (
    <text
      key={id}
      x={x}
      y={y}
      fontSize={text}
      textAnchor="middle"
      fill="var(--shade)"
      stroke="var(--sheet)"
      strokeWidth={text / 6}
      paintOrder="stroke"
      pointerEvents="none"
    >
      {Math.round(share * 100)} %
    </text>
  ));
}
