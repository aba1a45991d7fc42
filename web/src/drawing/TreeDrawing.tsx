import type { Drawing, LimbAnswer, LimbDrawing } from '../api/client';
import { centimetres, compass } from '../parts/format';
import { leafColour } from './colour';
import { between, seen, type Standing, type View } from './projection';
import { VERDICTS } from '../vocabulary/verdict';

/** Wood is drawn somewhat wider than it is, so that thin limbs can be seen and picked. */
const WIDER = 1.35;
const LEAST_WIDTH_M = 0.035;

/** What is done to a limb, as it is drawn there. */
export interface Mark {
  kind: string;
  alongM: number;
  urgent: boolean;
  /** Shown beside the mark, where cuts are numbered. */
  number?: number;
}

/** The marks of the verdicts. */
export const marksOf = (limbs: Iterable<LimbAnswer>): Map<string, Mark> =>
  new Map(
    [...limbs].flatMap((limb) =>
      limb.cut
        ? [[limb.id, { kind: limb.verdict, alongM: limb.cut.alongM, urgent: limb.urgent }] as const]
        : [],
    ),
  );

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

function Ground({
  left,
  width,
  text,
  drawing,
  top,
}: {
  left: number;
  width: number;
  text: number;
  drawing: Drawing;
  top: number;
}) {
  const level = (metres: number, what: string, dash: string) => (
    <g>
      <line
        x1={left}
        x2={left + width}
        y1={-metres}
        y2={-metres}
        stroke="var(--slate)"
        strokeWidth={0.018}
        strokeDasharray={dash}
      />
      <text x={left + 0.08} y={-metres - 0.06} fontSize={text} fill="var(--slate)">
        {metres.toFixed(1)} m {what}
      </text>
    </g>
  );
  return (
    <g>
      <rect x={left} y={0} width={width} height={1} fill="var(--ground)" />
      <line x1={left} x2={left + width} y1={0} y2={0} stroke="var(--ink)" strokeWidth={0.03} />
      {drawing.targetHeightM != null &&
        drawing.targetHeightM < top &&
        level(drawing.targetHeightM, 'wanted', '0.18 0.1')}
      {drawing.clearanceM != null &&
        drawing.clearanceM > 0 &&
        level(drawing.clearanceM, 'clear', '0.04 0.08')}
      <g
        transform={`translate(${left + width - 0.45} 0)`}
        fill="none"
        stroke="var(--faint)"
        strokeWidth={0.045}
        strokeLinecap="round"
      >
        <title>A person of 1.7 m</title>
        <circle cy={-1.58} r={0.11} fill="var(--faint)" />
        <path d="M0 -1.45V-0.82M0 -0.82L-0.16 0M0 -0.82L0.16 0M-0.25 -0.85L0 -1.35L0.25 -0.85" />
      </g>
      <g transform={`translate(${left + 0.15} 0.3)`}>
        <path d="M0 -0.1V0H1V-0.1" fill="none" stroke="var(--ink)" strokeWidth={0.025} />
        <text x={1.08} y={0.03} fontSize={text} fill="var(--ink)">
          1 m
        </text>
      </g>
    </g>
  );
}

function Compass({ at, top, text }: { at: number; top: number; text: number }) {
  return (
    <g transform={`translate(${at} ${top})`} aria-label="North is up">
      <path
        d={`M0 0l${text * 0.5} ${text * 1.4}l${-text * 0.5} ${-text * 0.4}l${-text * 0.5} ${text * 0.4}Z`}
        fill="var(--ink)"
      />
      <text y={text * 2.4} fontSize={text} textAnchor="middle">
        N
      </text>
    </g>
  );
}

/** Small wood that was not entered: where its leaf is taken to be, so that nobody takes it for something seen. */
function SmallWood({
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
function Leaf({ standing: { limb, left }, view, light }: { standing: Standing; view: View; light?: number }) {
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
function Share({
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

function Wood({
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
function CutMark({ limb, mark, view, text }: { limb: LimbDrawing; mark?: Mark; view: View; text: number }) {
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

function Tags({
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
