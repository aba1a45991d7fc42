import type { SiteLight, Tree } from '../api/client';
import { metres, percent, words } from '../parts/format';
import { TRIAGE } from '../vocabulary/orchard';
import { lengthAsGiven } from '../parts/measure';

const UNSURVEYED_SPREAD_M = 2;

/** How far below a tree its tag is written, and how far above it a word, in heights of a letter. */
export const TAG_BELOW = 1.35;
export const WORD_ABOVE = 0.55;

const POME = ['apple', 'pear', 'quince', 'medlar'];
const STONE = ['plum', 'sweet-cherry', 'sour-cherry', 'apricot', 'peach', 'nectarine'];
const BUSHES = ['gooseberry', 'red-currant', 'black-currant'];

const groupOf = (species: string) =>
  POME.includes(species)
    ? 'pome fruit'
    : STONE.includes(species)
      ? 'stone fruit'
      : BUSHES.includes(species)
        ? 'bush'
        : 'other kind';

/** A kind is a shape: pome fruit a dot, stone fruit a triangle, bushes a diamond, the rest a square. */
function Trunk({ group, x, y, size }: { group: string; x: number; y: number; size: number }) {
  const fill = 'var(--ink)';
  const wide = 1.3 * size;
  if (group === 'pome fruit') return <circle cx={x} cy={y} r={size} fill={fill} />;
  if (group === 'stone fruit')
    return <path d={`M${x} ${y - wide}l${wide} ${1.7 * wide}h${-2 * wide}Z`} fill={fill} />;
  if (group === 'bush')
    return <path d={`M${x} ${y - wide}l${wide} ${wide}l${-wide} ${wide}l${-wide} ${-wide}Z`} fill={fill} />;
  return <rect x={x - size} y={y - size} width={2 * size} height={2 * size} fill={fill} />;
}

const CROWN: Record<string, { fill: string; stroke: string; dash?: string }> = {
  refer: { fill: 'url(#plan-refer)', stroke: 'var(--rust)' },
  'take-out': { fill: 'url(#plan-out)', stroke: 'var(--rust)' },
  rest: { fill: 'url(#plan-rest)', stroke: 'var(--quince)' },
  renovate: { fill: 'url(#plan-renovate)', stroke: 'var(--damson)' },
  maintain: { fill: 'var(--leaf-pale)', stroke: 'var(--leaf)' },
  unsurveyed: { fill: 'var(--sheet)', stroke: 'var(--faint)', dash: '0.4 0.3' },
};

const stateOf = (tree: Tree) => tree.survey?.triage ?? 'unsurveyed';

/** How wide a tree is drawn, m. */
export const spreadM = (tree: Tree) => tree.survey?.spreadM ?? UNSURVEYED_SPREAD_M;

/** A tree from above: its crown by its state, its kind's shape, its tag, and its light where that is shown. */
export function TreeMark({
  tree,
  x,
  y,
  text,
  light,
  said,
  tone,
  faint,
  picked,
  tagged,
  worded,
  onPick,
  grip,
}: {
  tree: Tree;
  x: number;
  y: number;
  text: number;
  light?: number;
  /** A word over it, and the colour of its crown, where a layer says something of it. */
  said?: string;
  tone?: string;
  faint: boolean;
  picked: boolean;
  /** Whether there is room for its tag, and for the word over it. */
  tagged: boolean;
  worded: boolean;
  onPick: () => void;
  /** What dragging it does. */
  grip?: React.SVGAttributes<SVGGElement>;
}) {
  const state = stateOf(tree);
  const crown = CROWN[state]!;
  const spread = tree.survey ? `, ${metres(tree.survey.spreadM)} wide` : '';
  const lit = light === undefined ? '' : ' ' + percent(light) + ' light';
  const name = `${tree.data.tag}${lit}${said ? ' ' + said : ''}, ${words(tree.data.species)}, ${TRIAGE[state]}${spread}`;
  return (
    <>
      <g
        className={'tree' + (grip ? ' to-move' : '')}
        {...grip}
        role="button"
        tabIndex={0}
        aria-label={name}
        aria-pressed={picked}
        onClick={onPick}
        onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onPick()}
      >
        <title>{name}</title>
        <circle
          cx={x}
          cy={y}
          r={spreadM(tree) / 2}
          fill={tone ?? crown.fill}
          fillOpacity={tone ? 0.8 : faint ? 0.25 : 0.75}
          stroke={picked ? 'var(--ink)' : crown.stroke}
          strokeWidth={picked ? 0.4 : 0.12}
          strokeDasharray={crown.dash}
        />
        <Trunk group={groupOf(tree.data.species)} x={x} y={y} size={text * 0.24} />
        {tagged && (
          <Label x={x} y={y + text * TAG_BELOW} text={text} bold={picked}>
            {tree.data.tag}
          </Label>
        )}
      </g>
      {worded && said && (
        <Label x={x} y={y - text * WORD_ABOVE} text={text} bold passive>
          {said}
        </Label>
      )}
      {worded && light !== undefined && (
        <Label x={x} y={y - text * WORD_ABOVE} text={text * 0.85} bold={false} passive>
          {percent(light)}
        </Label>
      )}
    </>
  );
}

function Label({
  x,
  y,
  text,
  bold,
  passive,
  children,
}: {
  x: number;
  y: number;
  text: number;
  bold: boolean;
  /** Whether what lies under it is picked by a press on it. */
  passive?: boolean;
  children: string;
}) {
  return (
    <text
      x={x}
      y={y}
      aria-hidden="true"
      fontSize={text}
      textAnchor="middle"
      fill="var(--ink)"
      stroke="var(--sheet)"
      strokeWidth={text / 5}
      paintOrder="stroke"
      fontWeight={bold ? 700 : 500}
      pointerEvents={passive ? 'none' : undefined}
    >
      {children}
    </text>
  );
}

/** Crowns that overlap, each pair joined by a line. */
export function TooClose({
  pairs,
  trees,
  west,
  north,
}: {
  pairs: SiteLight['tooClose'];
  trees: Tree[];
  west: number;
  north: number;
}) {
  const byId = new Map(trees.map((tree) => [tree.id, tree]));
  return pairs
    .filter((pair) => pair.overlapM > 0)
    .map((pair) => {
      const one = byId.get(pair.oneId);
      const other = byId.get(pair.otherId);
      return (
        one &&
        other && (
          <line
            key={pair.one + ' ' + pair.other}
            x1={one.data.eastM - west}
            y1={north - one.data.northM}
            x2={other.data.eastM - west}
            y2={north - other.data.northM}
            stroke="var(--rust)"
            strokeWidth={0.18}
            strokeDasharray="0.5 0.3"
          >
            <title>{`${pair.one} and ${pair.other}: crowns overlap by ${metres(pair.overlapM)}`}</title>
          </line>
        )
      );
    });
}

export function North({ x, y, text }: { x: number; y: number; text: number }) {
  return (
    <g transform={`translate(${x} ${y})`} aria-label="North is up">
      <path
        d={`M0 0l${text * 0.55} ${text * 1.5}l${-text * 0.55} ${-text * 0.4}l${-text * 0.55} ${text * 0.4}Z`}
        fill="var(--ink)"
      />
      <text y={text * 2.5} fontSize={text} textAnchor="middle" fill="var(--ink)">
        N
      </text>
    </g>
  );
}

export function ScaleBar({ x, y, text, metres }: { x: number; y: number; text: number; metres: number }) {
  return (
    <g transform={`translate(${x} ${y})`} fontSize={text * 0.9} fill="var(--ink)">
      <path
        d={`M0 ${-text * 0.5}V0H${metres}V${-text * 0.5}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.12}
      />
      <text x={metres / 2} y={-text * 0.35} textAnchor="middle">
        {lengthAsGiven(metres, 'm')}
      </text>
    </g>
  );
}

/** What patterns and shapes stand for, of those that are drawn. */
export function PlanKey({ trees }: { trees: Tree[] }) {
  const groups = [...new Set(trees.map((tree) => groupOf(tree.data.species)))];
  const states = Object.keys(CROWN).filter((state) => trees.some((tree) => stateOf(tree) === state));
  return (
    <p className="plan-key">
      {states.map((state) => (
        <span key={state}>
          <svg viewBox="-1.2 -1.2 2.4 2.4" aria-hidden="true">
            <circle
              r={1}
              fill={CROWN[state]!.fill}
              stroke={CROWN[state]!.stroke}
              strokeWidth={0.2}
              strokeDasharray={CROWN[state]!.dash}
            />
          </svg>
          {TRIAGE[state]}
        </span>
      ))}
      {groups.map((group) => (
        <span key={group}>
          <svg viewBox="-1.2 -1.2 2.4 2.4" aria-hidden="true">
            <Trunk group={group} x={0} y={0} size={0.6} />
          </svg>
          {group}
        </span>
      ))}
    </p>
  );
}

export function PlanPatterns() {
  return (
    <defs>
      <Stripes id="plan-refer" colour="var(--rust)" angle={45} />
      <Stripes id="plan-out" colour="var(--rust)" angle={90} />
      <Stripes id="plan-rest" colour="var(--quince-bright)" angle={0} />
      <Stripes id="plan-renovate" colour="var(--damson-mid)" angle={-45} />
    </defs>
  );
}

/** Where shade falls over the season: the darker, the less of the open sky's light. */
export function Shade({
  ground,
  west,
  north,
}: {
  ground: NonNullable<SiteLight['ground']>;
  west: number;
  north: number;
}) {
  return (
    <g aria-hidden="true">
      {ground.light.map((light, i) => {
        if (light > 0.97) return null;
        const column = i % ground.columns;
        const row = Math.floor(i / ground.columns);
        return (
          <rect
            key={i}
            x={ground.westM + column * ground.stepM - west}
            y={north - ground.southM - (row + 1) * ground.stepM}
            width={ground.stepM * 1.02}
            height={ground.stepM * 1.02}
            fill="var(--slate-dark)"
            fillOpacity={0.75 * (1 - light)}
          />
        );
      })}
    </g>
  );
}

function Stripes({ id, colour, angle }: { id: string; colour: string; angle: number }) {
  return (
    <pattern
      id={id}
      width="0.5"
      height="0.5"
      patternUnits="userSpaceOnUse"
      patternTransform={`rotate(${angle})`}
    >
      <rect width="0.5" height="0.5" fill="var(--sheet)" />
      <rect width="0.13" height="0.5" fill={colour} />
    </pattern>
  );
}
