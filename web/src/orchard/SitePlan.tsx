import { KeyboardEvent, MouseEvent, useEffect, useRef, useState } from 'react';
import type { SiteLight, Tree } from '../api/client';
import { percent } from '../parts/format';
import { useAfterFirst } from '../parts/useAfterFirst';
import { usePlanView, type InView } from './planView';
import { type Moved, useMoved } from './useMoved';
import {
  North,
  PlanKey,
  PlanPatterns,
  ScaleBar,
  Shade,
  spreadM,
  TAG_BELOW,
  TooClose,
  TreeMark,
  WORD_ABOVE,
} from './planMarks';

const MARGIN_M = 3;
/** No tag is smaller. */
const LEAST_TEXT_PX = 12.5;

/** Before it is laid out. */
const AT_FIRST_PX = 700;

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

/** Light and room as far as they are shown. */
export type ShownLight = Pick<SiteLight, 'trees' | 'tooClose'> & Partial<Pick<SiteLight, 'ground'>>;

/** The site from above, to scale, north up: crowns as wide as they are. */
export function SitePlan({
  trees,
  picked,
  onPick,
  placing,
  onPlace,
  onMove,
  light,
  layer,
}: {
  trees: Tree[];
  picked?: number;
  onPick?: (id: number) => void;
  placing?: { eastM: number; northM: number };
  onPlace?: (eastM: number, northM: number) => void;
  /** Told where the picked tree was dragged to. */
  onMove?: (moved: Moved) => void;
  /** Light and shade of the season, drawn under the crowns and written in them. */
  light?: ShownLight;
  /** What else is said of trees, what weighs most first: a word and a colour each. Those of which nothing is said stand back. */
  layer?: Map<number, { said: string; tone: string }>;
}) {
  const points = [
    ...trees.map((tree) => ({
      east: tree.data.eastM,
      north: tree.data.northM,
      radius: spreadM(tree) / 2,
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
  const sheet = useRef<SVGSVGElement>(null);
  const [wide, setWide] = useState(AT_FIRST_PX);
  useEffect(() => {
    const is = sheet.current;
    if (!is || typeof ResizeObserver === 'undefined') return;
    const watch = new ResizeObserver(() => setWide(Math.max(200, is.clientWidth)));
    watch.observe(is);
    return () => watch.disconnect();
  }, []);
  const { view, closer, come, move, whole, dragged, pointer } = usePlanView({ width, height });
  // The plan is as wide as it may be or as high: letters are as large whichever it is.
  // On a phone tags are as large as can be read, and fewer.
  const text = Math.max(view.width / 52, view.height / 38, (view.width * LEAST_TEXT_PX) / wide);
  const bar = view.width > 60 ? 20 : view.width > 30 ? 10 : view.width > 8 ? 5 : 1;
  // The picked tree lies on top: it can be taken hold of wherever crowns overlap.
  const drawn = (useAfterFirst() ? trees : [])
    .filter((tree) => touches(tree, view, west, north))
    .sort((one, other) => Number(one.id === picked) - Number(other.id === picked));
  const lights = new Map(light?.trees.map((tree) => [tree.treeId, tree.light]));
  const turns = new Map([...(layer?.keys() ?? [])].map((id, turn) => [id, turn]));
  const { tagged, worded } = roomForWords(
    drawn,
    picked,
    text,
    (tree) => layer?.get(tree.id)?.said ?? (lights.has(tree.id) ? percent(lights.get(tree.id)!) : undefined),
    (tree) => turns.get(tree.id) ?? Number.MAX_SAFE_INTEGER,
  );
  const { moving, grip } = useMoved(sheet, { west, north }, onMove);
  const standsAt = (tree: Tree) => (moving?.id === tree.id ? moving : tree.data);
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
      ref={sheet}
      className={'site-plan' + (onPlace ? ' placing' : '') + (closer > 1 ? ' close' : '')}
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      onClick={place}
      onKeyDown={keys}
      {...pointer}
      role="group"
      aria-label="Site plan, north up"
    >
      <PlanPatterns />
      {light?.ground && <Shade ground={light.ground} west={west} north={north} />}
      {drawn.map((tree) => (
        <TreeMark
          key={tree.id}
          tree={tree}
          x={standsAt(tree).eastM - west}
          y={north - standsAt(tree).northM}
          text={text}
          grip={picked === tree.id ? grip(tree.id, tree.data) : undefined}
          light={lights.get(tree.id)}
          said={layer?.get(tree.id)?.said}
          tone={layer?.get(tree.id)?.tone}
          faint={!!light || !!layer}
          picked={picked === tree.id}
          tagged={tagged.has(tree.id)}
          worded={worded.has(tree.id)}
          onPick={() => !onPlace && !dragged.current && onPick?.(tree.id)}
        />
      ))}
      {light && <TooClose pairs={light.tooClose} trees={trees} west={west} north={north} />}
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
      <North x={view.x + view.width - text * 1.6} y={view.y + text * 0.8} text={text} />
      <ScaleBar x={view.x + text * 0.8} y={view.y + view.height - text * 0.7} text={text} metres={bar} />
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
      <PlanKey trees={trees} />
      {(tagged.size < drawn.length ||
        (layer && worded.size < drawn.filter((tree) => layer.has(tree.id)).length)) && (
        <p className="small mb-0">Come closer to read all of it.</p>
      )}
    </div>
  );
}

/** Trees whose tag, and those whose word, can be read: what would lie on another is left out, the picked tree's and all tags placed first. */
function roomForWords(
  trees: Tree[],
  picked: number | undefined,
  text: number,
  wordOf: (tree: Tree) => string | undefined,
  turnOf: (tree: Tree) => number,
): { tagged: Set<number>; worded: Set<number> } {
  const placed: { x: number; y: number; wide: number }[] = [];
  const place = (tree: Tree, word: string, above: number) => {
    const label = { x: tree.data.eastM, y: tree.data.northM + above, wide: word.length * LETTER * text };
    const free = placed.every(
      (other) =>
        Math.abs(label.y - other.y) >= text || Math.abs(label.x - other.x) >= (label.wide + other.wide) / 2,
    );
    if (free) placed.push(label);
    return free;
  };
  const readable = (turn: (tree: Tree) => number, free: (tree: Tree) => boolean) =>
    new Set(
      [...trees]
        .sort((a, b) => Number(b.id === picked) - Number(a.id === picked) || turn(a) - turn(b))
        .filter(free)
        .map((tree) => tree.id),
    );
  return {
    tagged: readable(
      () => 0,
      (tree) => place(tree, tree.data.tag, -TAG_BELOW * text),
    ),
    worded: readable(turnOf, (tree) => !!wordOf(tree) && place(tree, wordOf(tree)!, WORD_ABOVE * text)),
  };
}

const touches = (tree: Tree, view: InView, west: number, north: number) => {
  const radius = spreadM(tree) / 2;
  const x = tree.data.eastM - west;
  const y = north - tree.data.northM;
  return (
    x + radius >= view.x &&
    x - radius <= view.x + view.width &&
    y + radius >= view.y &&
    y - radius <= view.y + view.height
  );
};
