import type { LimbAnswer, LimbDrawing } from '../api/client';
import { centimetres } from '../parts/format';
import type { Mark } from './marks';
import { between, seen, type Standing, type View } from './projection';
import { VERDICTS } from '../vocabulary/verdict';

/** Wood is drawn somewhat wider than it is, so that thin limbs can be seen and picked. */
const WIDER = 1.35;

const LEAST_WIDTH_M = 0.035;

export function Wood({
  standing: { limb, left },
  view,
  answer,
  going,
  picked,
  onPick,
}: {
  standing: Standing;
  view: View;
  answer?: LimbAnswer;
  going: boolean;
  picked: boolean;
  onPick?: (id: string) => void;
}) {
  const from = seen(limb.base, view);
  const to = seen(between(limb.base, limb.tip, left), view);
  const length = Math.hypot(to.x - from.x, to.y - from.y) || 0.001;
  const nx = -(to.y - from.y) / length;
  const ny = (to.x - from.x) / length;
  const half = (cm: number) => Math.max(LEAST_WIDTH_M, (cm / 100) * WIDER) / 2;
  const a = half(limb.diameterCm);
  const b = half(limb.diameterCm + (limb.tipDiameterCm - limb.diameterCm) * left);
  const verdict = answer ? VERDICTS[answer.verdict] : '';
  return (
    <g
      className="limb"
      role={onPick ? 'button' : 'img'}
      tabIndex={-1}
      aria-label={`Limb ${limb.id}, ${centimetres(limb.diameterCm)}, ${verdict}`}
      aria-pressed={onPick ? picked : undefined}
      onClick={() => onPick?.(limb.id)}
    >
      <title>{`Limb ${limb.id}, ${centimetres(limb.diameterCm)}, ${verdict}`}</title>
      <line
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
        stroke="transparent"
        strokeWidth={Math.max(0.16, 2 * a)}
      />
      <path
        d={`M${from.x + nx * a} ${from.y + ny * a}L${to.x + nx * b} ${to.y + ny * b}L${to.x - nx * b} ${to.y - ny * b}L${from.x - nx * a} ${from.y - ny * a}Z`}
        fill={
          limb.living
            ? picked
              ? 'var(--damson-lit)'
              : going
                ? 'var(--damson-pale)'
                : 'var(--bark)'
            : 'url(#dead-wood)'
        }
        stroke={picked ? 'var(--damson)' : 'var(--ink)'}
        strokeWidth={picked ? 0.035 : 0.012}
        strokeLinejoin="round"
      />
    </g>
  );
}

/** Teeth where a limb comes off, a bar where it is shortened, an arc where it is bent. */
export function CutMark({
  limb,
  mark,
  view,
  text,
}: {
  limb: LimbDrawing;
  mark?: Mark;
  view: View;
  text: number;
}) {
  if (!mark) return null;
  const at = seen(between(limb.base, limb.tip, Math.min(1, mark.alongM / limb.lengthM)), view);
  const base = seen(limb.base, view);
  const tip = seen(limb.tip, view);
  const turn = (Math.atan2(tip.y - base.y, tip.x - base.x) * 180) / Math.PI;
  const size = Math.max(0.13, (limb.diameterCm / 100) * WIDER * 0.75);
  const colour = mark.urgent ? 'var(--rust)' : 'var(--damson)';
  // A cut at the collar is marked a little way out, clear of the wood it grows from.
  const out = mark.alongM === 0 ? 0.08 : 0;
  const turned = (turn * Math.PI) / 180;
  // Its number stands out along what comes off, or back from where it is shortened, clear of the tag at the end.
  const aside = mark.kind === 'remove' ? 0.35 : -0.35;
  const beside = { x: at.x + aside * Math.cos(turned), y: at.y + aside * Math.sin(turned) };
  return (
    <>
      <g
        transform={`translate(${at.x} ${at.y}) rotate(${turn}) translate(${out} 0)`}
        fill="none"
        stroke={colour}
        strokeWidth={0.045}
        pointerEvents="none"
      >
        {mark.kind === 'remove' && (
          <path
            d={Array.from(
              { length: 7 },
              (_, i) => `${i ? 'L' : 'M'}${i % 2 ? 0.06 : -0.06} ${-size + (i * size) / 3}`,
            ).join('')}
          />
        )}
        {mark.kind === 'shorten' && <path d={`M0 ${-size}V${size}`} strokeWidth={0.07} />}
        {mark.kind === 'bend' && <path d={`M${-size} ${-size}Q${size * 1.4} 0 ${-size} ${size}`} />}
      </g>
      {mark.number !== undefined && (
        <g transform={`translate(${beside.x} ${beside.y})`} pointerEvents="none">
          <circle r={text * 0.8} fill="var(--sheet)" stroke={colour} strokeWidth={0.03} />
          <text y={text * 0.36} fontSize={text} fontWeight={700} textAnchor="middle" fill={colour}>
            {mark.number}
          </text>
        </g>
      )}
    </>
  );
}

export function Tags({
  standing,
  view,
  text,
  picked,
  goes,
  onPick,
  edge,
}: {
  standing: Standing[];
  view: View;
  text: number;
  picked?: string;
  goes: (id: string) => boolean;
  onPick?: (id: string) => void;
  edge: [number, number];
}) {
  const placed: { x: number; y: number }[] = [];
  return standing.map(({ limb, left }) => {
    const end = seen(between(limb.base, limb.tip, left), view);
    const base = seen(limb.base, view);
    const length = Math.hypot(end.x - base.x, end.y - base.y) || 1;
    let x = Math.min(edge[1], Math.max(edge[0], end.x + ((end.x - base.x) / length) * text * 0.7));
    let y = end.y + ((end.y - base.y) / length) * text * 0.7 + text * 0.35;
    while (placed.some((other) => Math.abs(other.x - x) < text * 1.5 && Math.abs(other.y - y) < text * 0.9)) {
      y += text * 0.95;
      x = Math.min(edge[1], x);
    }
    placed.push({ x, y });
    const going = goes(limb.id);
    return (
      <text
        key={limb.id}
        x={x}
        y={y}
        fontSize={text}
        textAnchor="middle"
        fontWeight={picked === limb.id ? 700 : 500}
        fill={picked === limb.id ? 'var(--damson)' : going ? 'var(--bark-dark)' : 'var(--ink)'}
        fontStyle={going ? 'italic' : undefined}
        stroke="var(--sheet)"
        strokeWidth={text / 4}
        paintOrder="stroke"
        style={{ cursor: onPick ? 'pointer' : undefined }}
        onClick={() => onPick?.(limb.id)}
      >
        {limb.id}
      </text>
    );
  });
}
