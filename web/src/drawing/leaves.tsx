import type { Drawing } from '../api/client';
import type { Places } from './limbs';
import type { Standing } from './projection';

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

/** Room a share takes, in heights of its letters. */
const WIDE = 2.4;
const HIGH = 1.1;

/** The light on limbs' leaf, in per cent, where the leaf hangs; where two would lie on each other the first stands. */
export function Shares({
  standing,
  places,
  text,
  light,
}: {
  standing: Standing[];
  places: Places;
  text: number;
  light: Map<string, number>;
}) {
  const placed: { id: string; x: number; y: number; share: number }[] = [];
  for (const { limb, left } of standing) {
    const share = light.get(limb.id);
    if (!limb.leafCentre || left < 0.5 || share === undefined) continue;
    const { eastM, northM, upM } = limb.leafCentre;
    const x = places.across([eastM, northM, upM]);
    const y = places.down([eastM, northM, upM]);
    const free = placed.every(
      (other) => Math.abs(other.x - x) > WIDE * text || Math.abs(other.y - y) > HIGH * text,
    );
    if (free) placed.push({ id: limb.id, x, y, share });
  }
  return placed.map(({ id, x, y, share }) => (
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
