import { type PointerEvent, useLayoutEffect, useMemo, useRef } from 'react';
import type { Drawing, LimbAnswer } from '../api/client';
import { compass } from '../parts/format';
import { acrossOf, type Camera, downOf, turned } from './camera';
import { type Inked, layPaper, paint } from './ink';
import { CutMark, Hit, Tags, tagsOf, type DrawnWound, WoundMark } from './limbs';
import { Shares, SmallWood } from './leaves';
import type { Mark } from './marks';
import type { Standing, View } from './projection';
import { Compass, Ground } from './surroundings';
import { useCamera } from './useCamera';
import { type Answers, useInk } from './useInk';
import { usePalette } from './usePalette';
import { useSized } from './useSized';

/** With more main limbs than this their shares of light would lie on each other. */
const MOST_SHARES = 8;

const LEAST_TEXT_PX = 11.5;
const FRAMES_TIMED = 300;

/** How far the tree turns for each pixel it is dragged, degrees. */
const DRAGGED_DEG = 0.45;

/** The tree as an ink drawing, to the measure of its limbs, with the cuts marked. Dragged, it turns. */
export function TreeDrawing({
  drawing,
  limbs,
  standing,
  view,
  picked,
  onPick,
  onTurn,
  marks,
  light,
  reachM = drawing,
  inLeaf = drawing.inLeaf,
  plain = false,
  answers,
  wounds,
}: {
  drawing: Drawing;
  limbs: Map<string, LimbAnswer>;
  standing: Standing[];
  view: View;
  picked?: string;
  onPick?: (id: string) => void;
  /** Told from where it is seen when it was turned by hand. */
  onTurn?: (view: number) => void;
  marks: Map<string, Mark>;
  /** Share of open-sky light on each limb; leaf is tinted by it. */
  light?: Map<string, number>;
  /** How high and wide the sheet must be; other years of the same tree want the same scale. */
  reachM?: { heightM: number; spreadM: number };
  /** Whether leaf is drawn; left out, as the tree stands today. */
  inLeaf?: boolean;
  /** Without tags and shares: small, beside others. */
  plain?: boolean;
  /** What grew in answer to cuts. */
  answers?: Answers;
  /** Open wounds, drawn where they are. */
  wounds?: DrawnWound[];
}) {
  const goes = useMemo(() => {
    const parents = new Map(drawing.limbs.map((limb) => [limb.id, limb.parent]));
    const falls = (id: string | null | undefined): boolean =>
      !!id && (marks.get(id)?.kind === 'remove' || falls(parents.get(id)));
    return falls;
  }, [drawing, marks]);
  const sheet = useMemo(() => sheetOf(drawing, reachM), [drawing, reachM]);
  const canvas = useRef<HTMLCanvasElement>(null);
  const palette = usePalette();
  const inkNow = useRef<Inked>(undefined);
  const frames = useRef(0);
  const draw = (tree: Inked | undefined, camera: Camera) => {
    inkNow.current = tree;
    const ctx = canvas.current?.getContext?.('2d');
    if (!ctx || !tree) return;
    const { left, top, wide, high } = sheet.at(camera.elevation / 90);
    const scale = layPaper(ctx, [left, top, wide, high]);
    // The last frames' times can be looked at; a tree that is turned all day must not fill the memory with them.
    if (frames.current++ % FRAMES_TIMED === 0) performance.clearMeasures('tree drawn');
    performance.mark('ink');
    paint(ctx, tree, camera, palette, scale);
    performance.measure('tree drawn', 'ink');
    performance.clearMarks('ink');
  };
  const { live, resting: camera, moving, turnTo } = useCamera(view, (camera) => draw(inkNow.current, camera));
  const { tree, skeleton, growing } = useInk(
    drawing,
    standing,
    { goes, picked, light, inLeaf },
    answers,
    (now) => draw(now, live.current),
  );
  const redraw = useRef(() => {});
  useLayoutEffect(() => {
    redraw.current = () => draw(tree, live.current);
  });
  const pixels = useSized(canvas, redraw);
  const drag = useDrag(onTurn && view !== 'above' ? turnTo : undefined, live, onTurn);
  const above = camera.elevation > 45;
  const box = sheet.at(above ? 1 : 0);
  // No smaller than can be read, however small the sheet.
  const scale = pixels ? Math.min(pixels.wide / box.wide, pixels.high / box.high) : 0;
  const text = Math.max(Math.max(box.high, box.wide) / 44, scale > 0 ? LEAST_TEXT_PX / scale : 0);
  const t = turned(camera);
  const places = {
    across: (p: P) => acrossOf(t, p[0], p[1], p[2]),
    down: (p: P) => downOf(t, p[0], p[1], p[2]),
  };
  const mains = standing.filter((one) => one.limb.parent == null).length;
  const wood = new Map(skeleton.limbs.map((body) => [body.id, body]));
  const side = sheet.at(0);
  const tags = plain
    ? []
    : tagsOf(skeleton.limbs, places, text, {
        left: box.left,
        right: box.left + box.wide,
        top: box.top,
        bottom: box.top + box.high,
      });
  return (
    <div
      className="tree-drawing"
      style={{ aspectRatio: side.wide / side.high }}
      data-moving={moving || growing || undefined}
      {...drag}
    >
      <canvas ref={canvas} aria-hidden="true" />
      <svg
        viewBox={`${box.left} ${box.top} ${box.wide} ${box.high}`}
        role="group"
        aria-label={
          above
            ? 'The tree from above, north up'
            : 'The tree seen from the ' + compass(Math.round(camera.azimuth))
        }
      >
        {above ? (
          <Compass at={box.left + box.wide - text * 1.6} top={box.top + text} text={text} />
        ) : (
          <Ground left={box.left} width={box.wide} text={text} drawing={drawing} top={-box.top} />
        )}
        <g className="at-rest">
          {skeleton.limbs.map((body) => (
            <Hit
              key={body.id}
              body={body}
              places={places}
              diameterCm={standing.find((one) => one.limb.id === body.id)!.limb.diameterCm}
              answer={limbs.get(body.id)}
              picked={picked === body.id}
              onPick={onPick}
            />
          ))}
          {standing.map(({ limb }) => (
            <CutMark
              key={limb.id}
              limb={limb}
              body={wood.get(limb.id)}
              mark={marks.get(limb.id)}
              places={places}
              text={text}
            />
          ))}
          {!plain &&
            wounds?.map((wound) => (
              <WoundMark
                key={wound.name}
                wound={wound}
                body={wound.onLimb ? wood.get(wound.onLimb) : undefined}
                lengthM={standing.find((one) => one.limb.id === wound.onLimb)?.limb.lengthM}
                places={places}
                text={text}
              />
            ))}
          {!plain && !answers && drawing.smallWood && (
            <SmallWood
              is={drawing.smallWood}
              above={above}
              text={text}
              corner={{ x: box.left, y: box.top }}
            />
          )}
          {light && !plain && (
            <Shares
              // One in each main limb, and in the one picked: all would hide the tree, as a bush's many stems would.
              standing={standing
                .filter((one) => (one.limb.parent == null && mains <= MOST_SHARES) || one.limb.id === picked)
                .sort((one, other) => Number(other.limb.id === picked) - Number(one.limb.id === picked))}
              places={places}
              text={text}
              light={light}
              tags={tags}
            />
          )}
          {!plain && <Tags placed={tags} text={text} picked={picked} goes={goes} onPick={onPick} />}
        </g>
      </svg>
    </div>
  );
}

type P = readonly [number, number, number];

/** The piece of paper, m: from the side, from above, and on the way between. */
function sheetOf(drawing: Drawing, reachM: { heightM: number; spreadM: number }) {
  const reach = Math.max(
    reachM.spreadM / 2,
    ...drawing.limbs.map((limb) => Math.hypot(limb.tip.eastM, limb.tip.northM) + limb.leafAcrossM * 0.6),
    0.5,
  );
  const room = Math.max(0.25, reach * 0.16);
  const top =
    Math.max(reachM.heightM, ...drawing.limbs.map((limb) => limb.tip.upM)) + Math.max(0.15, reach * 0.12);
  const foot = Math.max(0.12, top * 0.07);
  const half = reach + room;
  return {
    at: (above: number) => {
      const mix = (side: number, over: number) => side + (over - side) * above;
      return {
        left: -half,
        wide: 2 * half,
        top: mix(-top, -half),
        high: mix(top + foot, 2 * half),
      };
    },
  };
}

/** Turns the tree by dragging it, by mouse or by touch; up and down still scrolls the page. */
function useDrag(
  turnTo: ((azimuth: number) => void) | undefined,
  live: React.RefObject<Camera>,
  done?: (view: number) => void,
) {
  const start = useRef<{ x: number; azimuth: number; moved: boolean }>(undefined);
  if (!turnTo) return {};
  return {
    onPointerDown: (e: PointerEvent<HTMLDivElement>) => {
      if (e.button === 0) start.current = { x: e.clientX, azimuth: live.current.azimuth, moved: false };
    },
    onPointerMove: (e: PointerEvent<HTMLDivElement>) => {
      const from = start.current;
      if (!from || (!from.moved && Math.abs(e.clientX - from.x) < 5)) return;
      if (!from.moved) e.currentTarget.setPointerCapture(e.pointerId);
      from.moved = true;
      turnTo(from.azimuth + (e.clientX - from.x) * DRAGGED_DEG);
    },
    onPointerUp: () => {
      if (start.current?.moved) done?.(Math.round(live.current.azimuth) % 360);
      start.current = undefined;
    },
    onPointerCancel: () => {
      if (start.current?.moved) done?.(Math.round(live.current.azimuth) % 360);
      start.current = undefined;
    },
  };
}
