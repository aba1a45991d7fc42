import type { Drawing } from '../api/client';
import { leafColour } from './colour';
import { between, seen, type Standing, type View } from './projection';

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
  const foot = above ? is.halfAcrossM : -(is.middleUpM - is.halfUpM);
  return (
    <g pointerEvents="none">
      <ellipse
        cx={0}
        cy={above ? 0 : -is.middleUpM}
        rx={is.halfAcrossM}
        ry={above ? is.halfAcrossM : is.halfUpM}
        className="small-wood"
        strokeWidth={text / 14}
        strokeDasharray={`${text / 8} ${text / 2.5}`}
      />
      <text
        x={is.halfAcrossM * 0.72}
        y={foot - text * 0.9}
        fontSize={text * 0.78}
        className="small-wood-label"
        strokeWidth={text / 6}
        paintOrder="stroke"
      >
        not entered: {Math.round(is.share * 100)} % of the leaf
      </text>
    </g>
  );
}

/** What a limb carries of its own leaf, as a soft cloud round its outer part. */
export function Leaf({
  standing: { limb, left },
  view,
  light,
}: {
  standing: Standing;
  view: View;
  light?: number;
}) {
  if (!limb.leafCentre || left < 0.5) return null;
  const base = seen(limb.base, view);
  const tip = seen(limb.tip, view);
  const middle = seen(left < 1 ? between(limb.base, limb.tip, 0.62 * left) : limb.leafCentre, view);
  const onSheet = Math.min(1, Math.hypot(tip.x - base.x, tip.y - base.y) / limb.lengthM);
  const across = limb.leafAcrossM * 0.62;
  const along = Math.hypot(limb.leafAlongM * left * onSheet, across * Math.sqrt(1 - onSheet * onSheet));
  const turn = (Math.atan2(tip.y - base.y, tip.x - base.x) * 180) / Math.PI;
  return (
    <ellipse
      cx={middle.x}
      cy={middle.y}
      rx={Math.max(along, across)}
      ry={across}
      transform={`rotate(${turn} ${middle.x} ${middle.y})`}
      fill={light === undefined ? 'var(--leaf-mid)' : leafColour(light)}
      fillOpacity={light === undefined ? 0.17 : 0.34}
      pointerEvents="none"
    />
  );
}

/** The light on a limb's leaf, in per cent, where the leaf hangs. */
export function Share({
  standing: { limb, left },
  view,
  text,
  light,
}: {
  standing: Standing;
  view: View;
  text: number;
  light?: number;
}) {
  if (!limb.leafCentre || left < 0.5 || light === undefined) return null;
  const middle = seen(limb.leafCentre, view);
  return (
    <text
      x={middle.x}
      y={middle.y}
      fontSize={text * 0.82}
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
