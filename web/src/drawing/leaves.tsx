import type { Drawing } from '../api/client';
import type { Places } from './limbs';
import type { Standing } from './projection';

/** Small wood that was not entered: where its leaf is taken to be, so that nobody takes it for something seen. */
export function SmallWood({
  is,
  above,
  text,
}: {
  is: NonNullable<Drawing['smallWood']>;
  above: boolean;
  text: number;
}) {
  const top = above ? -is.halfAcrossM : -(is.middleUpM + is.halfUpM);
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
        x={0}
        y={top + text * 1.1}
        textAnchor="middle"
        fontSize={text}
        className="small-wood-label"
        strokeWidth={text / 6}
        paintOrder="stroke"
      >
        not entered: {Math.round(is.share * 100)} % of the leaf
      </text>
    </g>
  );
}

/** The light on a limb's leaf, in per cent, where the leaf hangs. */
export function Share({
  standing: { limb, left },
  places,
  text,
  light,
}: {
  standing: Standing;
  places: Places;
  text: number;
  light?: number;
}) {
  if (!limb.leafCentre || left < 0.5 || light === undefined) return null;
  const { eastM, northM, upM } = limb.leafCentre;
  return (
    <text
      x={places.across([eastM, northM, upM])}
      y={places.down([eastM, northM, upM])}
      fontSize={text}
      textAnchor="middle"
      fill="var(--shade)"
      stroke="var(--sheet)"
      strokeWidth={text / 6}
      paintOrder="stroke"
      pointerEvents="none"
    >
      {Math.round(light * 100)} %
    </text>
  );
}
