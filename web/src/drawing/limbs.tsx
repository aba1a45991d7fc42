import type { LimbAnswer, LimbDrawing } from '../api/client';
import { centimetres } from '../parts/format';
import { VERDICTS } from '../vocabulary/verdict';
import { type Placed, placeLabels } from './labels';
import type { Mark } from './marks';
import { type Body, on, type Point } from './skeleton';

/** Where a place lies on the sheet. */
export interface Places {
  across: (at: Point) => number;
  down: (at: Point) => number;
}

/** What is touched of a limb: wider than its wood, so that thin limbs can be picked. */
export function Hit({
  body,
  places,
  diameterCm,
  answer,
  picked,
  onPick,
}: {
  body: Body;
  places: Places;
  diameterCm: number;
  answer?: LimbAnswer;
  picked: boolean;
  onPick?: (id: string) => void;
}) {
  const verdict = answer ? VERDICTS[answer.verdict] : '';
  const name = `Limb ${body.id}, ${centimetres(diameterCm)}, ${verdict}${body.living ? '' : ', dead'}`;
  return (
    <g
      className="limb"
      role={onPick ? 'button' : 'img'}
      tabIndex={-1}
      aria-label={name}
      aria-pressed={onPick ? picked : undefined}
      onClick={() => onPick?.(body.id)}
    >
      <title>{name}</title>
      <polyline
        points={body.axis
          .map((at) => places.across(at).toFixed(3) + ',' + places.down(at).toFixed(3))
          .join(' ')}
        fill="none"
        stroke="transparent"
        strokeLinejoin="round"
        strokeWidth={Math.max(0.14, (diameterCm / 100) * 1.3)}
      />
    </g>
  );
}

/** Teeth where a limb comes off, a bar where it is shortened, an arc where it is bent. */
export function CutMark({
  limb,
  body,
  mark,
  places,
  text,
}: {
  limb: LimbDrawing;
  body?: Body;
  mark?: Mark;
  places: Places;
  text: number;
}) {
  if (!mark || !body) return null;
  // A cut at the collar is marked a little way out, clear of the wood it grows from.
  const out = mark.alongM === 0 ? Math.min(0.3, (limb.diameterCm / 100) * 0.8 + 0.03) : mark.alongM;
  const { at: place, along } = on(body, Math.min(1, out / limb.lengthM));
  const at = { x: places.across(place), y: places.down(place) };
  const turned = Math.atan2(places.down(along), places.across(along));
  const turn = (turned * 180) / Math.PI;
  const size = Math.max(text * 0.45, (limb.diameterCm / 100) * 0.85);
  const colour = mark.urgent ? 'var(--rust)' : 'var(--damson)';
  // Its number stands out along what comes off, or back from where it is shortened, clear of the tag at the end.
  const aside = (mark.kind === 'remove' ? 1.4 : -1.4) * text;
  const beside = { x: at.x + aside * Math.cos(turned), y: at.y + aside * Math.sin(turned) };
  const wide = text * 0.2;
  const mine =
    mark.kind === 'remove'
      ? Array.from(
          { length: 7 },
          (_, i) => `${i ? 'L' : 'M'}${i % 2 ? wide : -wide} ${-size + (i * size) / 3}`,
        ).join('')
      : mark.kind === 'shorten'
        ? `M0 ${-size}V${size}`
        : `M${-size} ${-size}Q${size * 1.4} 0 ${-size} ${size}`;
  return (
    <>
      <g transform={`translate(${at.x} ${at.y}) rotate(${turn})`} fill="none" pointerEvents="none">
        <path d={mine} stroke="var(--sheet)" strokeWidth={text * 0.42} strokeLinecap="round" />
        <path d={mine} stroke={colour} strokeWidth={text * (mark.kind === 'shorten' ? 0.26 : 0.18)} />
      </g>
      {mark.number !== undefined && (
        <g transform={`translate(${beside.x} ${beside.y})`} pointerEvents="none">
          <circle r={text * 0.8} fill="var(--sheet)" stroke={colour} strokeWidth={text * 0.1} />
          <text y={text * 0.36} fontSize={text} fontWeight={700} textAnchor="middle" fill={colour}>
            {mark.number}
          </text>
        </g>
      )}
    </>
  );
}

/** Where tags stand, at the limbs' ends: none lies on another. */
export function tagsOf(
  limbs: Body[],
  places: Places,
  text: number,
  sheet: { left: number; right: number; top: number; bottom: number },
): Placed[] {
  const thickestFirst = [...limbs].sort((one, other) => other.widths[0]! - one.widths[0]!);
  return placeLabels(
    thickestFirst.map((body) => {
      const end = body.axis[body.axis.length - 1]!;
      const before = body.axis[Math.max(0, body.axis.length - 4)]!;
      const x = places.across(end);
      const y = places.down(end);
      const dx = x - places.across(before);
      const dy = y - places.down(before);
      const long = Math.hypot(dx, dy) || 1;
      return { id: body.id, x, y, awayX: dx / long, awayY: dy / long };
    }),
    text,
    sheet,
  );
}

/** The tags of limbs. */
export function Tags({
  placed,
  text,
  picked,
  goes,
  onPick,
}: {
  placed: Placed[];
  text: number;
  picked?: string;
  goes: (id: string) => boolean;
  onPick?: (id: string) => void;
}) {
  return placed.map(({ id, x, y, lineTo }) => (
    <g key={id}>
      {lineTo && (
        <line
          x1={lineTo.x}
          y1={lineTo.y}
          x2={x}
          y2={y - text * 0.3}
          stroke="var(--ink)"
          strokeWidth={text * 0.05}
          opacity={0.5}
          pointerEvents="none"
        />
      )}
      <text
        x={x}
        y={y}
        fontSize={text}
        textAnchor="middle"
        className={'tag' + (picked === id ? ' picked' : goes(id) ? ' going' : '')}
        strokeWidth={text / 4}
        paintOrder="stroke"
        style={{ cursor: onPick ? 'pointer' : undefined }}
        onClick={() => onPick?.(id)}
      >
        {id}
      </text>
    </g>
  ));
}

/** A wound that is not closed: where it is, how wide, on what. */
export interface DrawnWound {
  name: string;
  /** Empty on the trunk. */
  onLimb?: string | null;
  /** From the limb's base; above ground on the trunk, m. */
  alongM: number;
  openMm: number;
  closing: boolean;
}

/** An open wound as a ring of callus round bare wood; one that does not close is filled. */
export function WoundMark({
  wound,
  body,
  lengthM,
  places,
  text,
}: {
  wound: DrawnWound;
  /** Of the limb that bears it. */
  body?: Body;
  lengthM?: number;
  places: Places;
  text: number;
}) {
  const at: Point =
    body && lengthM ? on(body, Math.min(1, wound.alongM / lengthM)).at : [0, 0, Math.max(0, wound.alongM)];
  const r = Math.max(wound.openMm / 2000, text * 0.2);
  return (
    <circle
      className="wound-mark"
      cx={places.across(at)}
      cy={places.down(at)}
      r={r}
      fill={wound.closing ? 'var(--sheet)' : 'var(--rust)'}
      fillOpacity={0.85}
      stroke={wound.closing ? 'var(--quince)' : 'var(--rust)'}
      strokeWidth={text * 0.12}
    >
      <title>
        Wound {wound.name}, {Math.round(wound.openMm)} mm open{wound.closing ? '' : ', not closing'}
      </title>
    </circle>
  );
}
