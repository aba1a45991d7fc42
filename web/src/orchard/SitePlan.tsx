import type { KeyboardEvent, MouseEvent } from 'react';
import type { SiteLight, Tree } from '../api/client';
import { metres, percent, words } from '../parts/format';
import { usePlanView, type InView } from './planView';
import { TRIAGE } from '../vocabulary/orchard';

const MARGIN_M = 3;
/** How wide a letter is, of its height. */
const LETTER = 0.55;
const CLOSER = 1.6;
/** By key, to the right and down, as shares of what is in view. */
const STEPS: Record<string, [number, number]> = {
  ArrowLeft: [-0.25, 0],
  ArrowRight: [0.25, 0],
  ArrowUp: [0, -0.25],
  ArrowDown: [0, 0.25],
};
const UNSURVEYED_SPREAD_M = 2;

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

/** The site from above, to scale, north up: crowns as wide as they are. */
export function SitePlan({
  trees,
  picked,
  onPick,
  placing,
  onPlace,
  light,
}: {
  trees: Tree[];
  picked?: number;
  onPick?: (id: number) => void;
  placing?: { eastM: number; northM: number };
  onPlace?: (eastM: number, northM: number) => void;
  /** Light and shade of the season, drawn under the crowns and written in them. */
  light?: SiteLight;
}) {
  const points = [
    ...trees.map((tree) => ({
      east: tree.data.eastM,
      north: tree.data.northM,
      radius: (tree.survey?.spreadM ?? UNSURVEYED_SPREAD_M) / 2,
    })),
    ...(placing ? [{ east: placing.eastM, north: placing.northM, radius: 2 }] : []),
  ];
  if (points.length === 0) points.push({ east: 0, north: 0, radius: 10 });
  const west = Math.min(...points.map((p) => p.east - p.radius)) - MARGIN_M;
  const east = Math.max(...points.map((p) => p.east + p.radius)) + MARGIN_M;
  const south = Math.min(...points.map((p) => p.north - p.radius)) - MARGIN_M;
  const north = Math.max(...points.map((p) => p.north + p.radius)) + MARGIN_M;
  const width = Math.max(east - west, 14);
  const height = Math.max(north - south, 8);
  const { view, closer, come, move, whole, dragged, pointer } = usePlanView({ width, height });
  // The plan is as wide as it may be or as high: letters are as large whichever it is.
  const text = Math.max(view.width / 52, view.height / 38);
  const bar = view.width > 60 ? 20 : view.width > 30 ? 10 : view.width > 8 ? 5 : 1;
  const drawn = trees.filter((tree) => touches(tree, view, west, north));
  const tagged = roomForTags(drawn, picked, text);
  const groups = [...new Set(trees.map((tree) => groupOf(tree.data.species)))];
  const states = Object.keys(CROWN).filter((state) => trees.some((tree) => stateOf(tree) === state));
  const lights = new Map(light?.trees.map((tree) => [tree.treeId, tree.light]));
  const place = (e: MouseEvent<SVGSVGElement>) => {
    if (!onPlace || dragged.current) return;
    const box = e.currentTarget;
    const matrix = box.getScreenCTM();
    if (!matrix) return;
    const at = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    onPlace(Math.round((at.x + west) * 10) / 10, Math.round((north - at.y) * 10) / 10);
  };
  const keys = (e: KeyboardEvent) => {
    const step = STEPS[e.key];
    if (e.key === '+') come(CLOSER);
    else if (e.key === '-') come(1 / CLOSER);
    else if (step && closer > 1) move(...step);
    else return;
    e.preventDefault();
  };
  const plan = (
    <svg
      className={'site-plan' + (onPlace ? ' placing' : '') + (closer > 1 ? ' close' : '')}
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      onClick={place}
      onKeyDown={keys}
      {...pointer}
      role="group"
      aria-label="Site plan, north up"
    >
      <defs>
        <Stripes id="plan-refer" colour="var(--rust)" angle={45} />
        <Stripes id="plan-out" colour="var(--rust)" angle={90} />
        <Stripes id="plan-rest" colour="var(--quince-bright)" angle={0} />
        <Stripes id="plan-renovate" colour="var(--damson-mid)" angle={-45} />
      </defs>
      {light?.ground && <Shade ground={light.ground} west={west} north={north} />}
      {drawn.map((tree) => {
        const state = stateOf(tree);
        const crown = CROWN[state]!;
        const x = tree.data.eastM - west;
        const y = north - tree.data.northM;
        const radius = (tree.survey?.spreadM ?? UNSURVEYED_SPREAD_M) / 2;
        const spread = tree.survey ? `, ${metres(tree.survey.spreadM)} wide` : '';
        const lit = lights.has(tree.id) ? ' ' + percent(lights.get(tree.id)!) + ' light' : '';
        const name = `${tree.data.tag}${lit}, ${words(tree.data.species)}, ${TRIAGE[state]}${spread}`;
        return (
          <g
            key={tree.id}
            className="tree"
            role="button"
            tabIndex={0}
            aria-label={name}
            aria-pressed={picked === tree.id}
            onClick={() => !onPlace && !dragged.current && onPick?.(tree.id)}
            onKeyDown={(e) => (e.key === 'Enter' || e.key === ' ') && onPick?.(tree.id)}
          >
            <title>{name}</title>
            <circle
              cx={x}
              cy={y}
              r={radius}
              fill={crown.fill}
              fillOpacity={light ? 0.25 : 0.75}
              stroke={picked === tree.id ? 'var(--ink)' : crown.stroke}
              strokeWidth={picked === tree.id ? 0.4 : 0.12}
              strokeDasharray={crown.dash}
            />
            <Trunk group={groupOf(tree.data.species)} x={x} y={y} size={text * 0.24} />
            {tagged.has(tree.id) && (
              <text
                x={x}
                y={y + text * 1.35}
                aria-hidden="true"
                fontSize={text}
                textAnchor="middle"
                fill="var(--ink)"
                stroke="var(--sheet)"
                strokeWidth={text / 5}
                paintOrder="stroke"
                fontWeight={picked === tree.id ? 700 : 500}
              >
                {tree.data.tag}
              </text>
            )}
          </g>
        );
      })}
      {drawn
        .filter((tree) => tagged.has(tree.id) && lights.has(tree.id))
        .map((tree) => (
          <text
            key={tree.id}
            x={tree.data.eastM - west}
            y={north - tree.data.northM - text * 0.55}
            fontSize={text * 0.85}
            textAnchor="middle"
            fill="var(--ink)"
            stroke="var(--sheet)"
            strokeWidth={text / 5}
            paintOrder="stroke"
            pointerEvents="none"
            aria-hidden="true"
          >
            {percent(lights.get(tree.id)!)}
          </text>
        ))}
      {light?.tooClose
        .filter((pair) => pair.overlapM > 0)
        .map((pair) => {
          const one = trees.find((tree) => tree.id === pair.oneId);
          const other = trees.find((tree) => tree.id === pair.otherId);
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
        })}
      {placing && (
        <g>
          <circle
            cx={placing.eastM - west}
            cy={north - placing.northM}
            r={1}
            fill="none"
            stroke="var(--damson)"
            strokeWidth={0.2}
          />
          <circle cx={placing.eastM - west} cy={north - placing.northM} r={0.3} fill="var(--damson)" />
        </g>
      )}
      <g
        transform={`translate(${view.x + view.width - text * 1.6} ${view.y + text * 0.8})`}
        aria-label="North is up"
      >
        <path
          d={`M0 0l${text * 0.55} ${text * 1.5}l${-text * 0.55} ${-text * 0.4}l${-text * 0.55} ${text * 0.4}Z`}
          fill="var(--ink)"
        />
        <text y={text * 2.5} fontSize={text} textAnchor="middle" fill="var(--ink)">
          N
        </text>
      </g>
      <g
        transform={`translate(${view.x + text * 0.8} ${view.y + view.height - text * 0.7})`}
        fontSize={text * 0.9}
        fill="var(--ink)"
      >
        <path
          d={`M0 ${-text * 0.5}V0H${bar}V${-text * 0.5}`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={0.12}
        />
        <text x={bar / 2} y={-text * 0.35} textAnchor="middle">
          {bar} m
        </text>
      </g>
    </svg>
  );
  return (
    <div className="plan-frame">
      {plan}
      <div className="plan-buttons" role="group" aria-label="How close">
        <button type="button" onClick={() => come(CLOSER)} aria-label="Closer">
          +
        </button>
        <button
          type="button"
          onClick={() => come(1 / CLOSER)}
          disabled={closer === 1}
          aria-label="Further away"
        >
          −
        </button>
        {closer > 1 && (
          <button type="button" onClick={whole}>
            Whole
          </button>
        )}
      </div>
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
      {tagged.size < drawn.length && <p className="small mb-0">Come closer to read every tag.</p>}
    </div>
  );
}

/** Whose tags can be read: those that lie on no other, the picked tree's before all. */
function roomForTags(trees: Tree[], picked: number | undefined, text: number): Set<number> {
  const inTurn = [...trees].sort((a, b) => Number(b.id === picked) - Number(a.id === picked));
  const placed: Tree[] = [];
  for (const tree of inTurn) {
    const free = placed.every(
      (other) =>
        Math.abs(tree.data.northM - other.data.northM) >= text ||
        Math.abs(tree.data.eastM - other.data.eastM) >=
          ((tree.data.tag.length + other.data.tag.length) / 2) * LETTER * text,
    );
    if (free) placed.push(tree);
  }
  return new Set(placed.map((tree) => tree.id));
}

const touches = (tree: Tree, view: InView, west: number, north: number) => {
  const radius = (tree.survey?.spreadM ?? UNSURVEYED_SPREAD_M) / 2;
  const x = tree.data.eastM - west;
  const y = north - tree.data.northM;
  return (
    x + radius >= view.x &&
    x - radius <= view.x + view.width &&
    y + radius >= view.y &&
    y - radius <= view.y + view.height
  );
};

/** Where shade falls over the season: the darker, the less of the open sky's light. */
function Shade({
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
