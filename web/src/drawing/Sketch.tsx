import { type MouseEvent, useMemo, useState } from 'react';
import { ButtonGroup, Button } from 'react-bootstrap';
import type { LimbFile } from '../api/client';
import { placeLabels } from './labels';
import { paperOf, SketchInk } from './SketchInk';
import { nearestShare, part, type Place, sketch, type Sketched } from './sketch';
import { lengthAsGiven } from '../parts/measure';

const SIDES = { south: 180, west: 270, above: 'above' } as const;
const VIEWS = { south: 'from the south', west: 'from the west', above: 'above' } as const;
type View = keyof typeof VIEWS;

const isDead = (limb: Partial<LimbFile>) => limb.faults?.some((fault) => fault.kind === 'dead') ?? false;
const REACH_PX = 26;
/** Height of a tag's letters, m on the sheet. */
const TAG_M = 0.3;

const onSheet = (place: Place, view: View) =>
  view === 'above'
    ? { x: place.eastM, y: -place.northM }
    : { x: view === 'south' ? place.eastM : -place.northM, y: -place.upM };

/** What a touch in the drawing means: the trunk at a height, or a limb some way along. */
export interface Touch {
  parent?: string;
  alongM: number;
}

/** The limbs entered so far, drawn as one enters; a touch says where the limb at hand leaves. */
export function Sketch({
  limbs,
  heightM,
  at,
  onTouch,
  onPick,
}: {
  limbs: Partial<LimbFile>[];
  heightM?: number | null;
  /** The limb at hand. */
  at?: string;
  /** Where the limb at hand is said to leave, and what else may have been meant. */
  onTouch?: (touch: Touch, instead?: Touch) => void;
  onPick?: (id: string) => void;
}) {
  const [view, setView] = useState<View>('south');
  const { drawn, dead, sheet } = useMemo(() => {
    const drawn = sketch(limbs);
    return {
      drawn,
      dead: new Set(limbs.flatMap((limb) => (limb.id && isDead(limb) ? [limb.id] : []))),
      sheet: {
        topM: Math.max(heightM ?? 0, 3, ...drawn.map((limb) => limb.tip.upM)) + 0.3,
        reachM: Math.max(2, ...drawn.map((limb) => Math.hypot(limb.tip.eastM, limb.tip.northM))) + 0.4,
      },
    };
  }, [limbs, heightM]);
  const { topM: top, reachM: reach } = sheet;
  const above = view === 'above';
  const trunkTop = Math.max(1, ...drawn.filter((limb) => !limb.parent).map((limb) => limb.base.upM));
  const box = paperOf(sheet, above).join(' ');
  const [left, upper, wide, high] = paperOf(sheet, above);
  const tags = new Map(
    placeLabels(
      drawn.map((limb) => ({ id: limb.id, ...onSheet(limb.tip, view), awayX: 0, awayY: -1 })),
      TAG_M,
      { left, right: left + wide, top: upper, bottom: upper + high },
    ).map((tag) => [tag.id, tag]),
  );
  const touch = (e: MouseEvent<SVGSVGElement>) => {
    const matrix = e.currentTarget.getScreenCTM();
    if (!matrix) return;
    const point = new DOMPoint(e.clientX, e.clientY).matrixTransform(matrix.inverse());
    const near = REACH_PX / matrix.a;
    let best: { limb: Sketched; share: number; apart: number } | undefined;
    const weigh = (share: number, x: number, y: number, limb: Sketched) => {
      const apart = Math.hypot(point.x - x, point.y - y);
      if (apart < near && (!best || apart < best.apart)) best = { limb, share, apart };
    };
    for (const limb of drawn) {
      if (limb.id === at) continue;
      const share = nearestShare(onSheet(limb.base, view), onSheet(limb.tip, view), point.x, point.y);
      const place = onSheet(part(limb, share), view);
      weigh(share, place.x, place.y, limb);
    }
    if (best?.limb && onPick) return onPick(best.limb.id);
    if (!onTouch) return;
    const limb: Touch | undefined = best?.limb && {
      parent: best.limb.id,
      alongM: Math.round(best.share * best.limb.lengthM * 10) / 10,
    };
    const heightM = Math.round(-point.y * 10) / 10;
    const trunk: Touch | undefined =
      !above && Math.abs(point.x) < near && heightM > 0 ? { alongM: heightM } : undefined;
    // Where limbs leave the trunk it has the say over them; higher up a limb has, and the trunk is offered.
    const lowDown = heightM <= Math.max(trunkTop, 2);
    const meant = trunk && (lowDown || !limb) ? trunk : limb;
    if (meant) onTouch(meant, meant === trunk ? limb : trunk);
  };
  return (
    <div className="sketch">
      <div className="sketch-sheet">
        <SketchInk limbs={drawn} dead={dead} at={at} view={SIDES[view]} sheet={sheet} />
        <svg viewBox={box} onClick={touch} role="img" aria-label={'The tree so far, ' + VIEWS[view]}>
          {!above && (
            <>
              <line x1={-reach} x2={reach} y1={0} y2={0} stroke="var(--ink)" strokeWidth={0.04} />
              <line
                x1={0}
                x2={0}
                y1={-trunkTop}
                y2={-top}
                stroke="var(--ground)"
                strokeWidth={0.1}
                strokeDasharray="0.2 0.12"
              />
              {[1, 2, 3, 4, 5, 6, 7, 8]
                .filter((m) => m < top)
                .map((m) => (
                  <g key={m}>
                    <line
                      x1={-reach}
                      x2={-reach + 0.15}
                      y1={-m}
                      y2={-m}
                      stroke="var(--faint)"
                      strokeWidth={0.03}
                    />
                    <text x={-reach + 0.2} y={-m + 0.08} fontSize={0.24} fill="var(--faint)">
                      {lengthAsGiven(m, 'm')}
                    </text>
                  </g>
                ))}
            </>
          )}
          {drawn.map((limb) => {
            const from = onSheet(limb.base, view);
            const to = onSheet(limb.tip, view);
            return (
              <g key={limb.id}>
                <line
                  x1={from.x}
                  y1={from.y}
                  x2={to.x}
                  y2={to.y}
                  stroke="transparent"
                  strokeWidth={Math.max(0.12, limb.diameterCm / 60)}
                  strokeLinecap="round"
                />
                <text
                  x={tags.get(limb.id)?.x}
                  y={tags.get(limb.id)?.y}
                  fontSize={TAG_M}
                  textAnchor="middle"
                  fontWeight={limb.id === at ? 700 : 500}
                  fill={limb.id === at ? 'var(--damson)' : 'var(--ink)'}
                  stroke="var(--sheet)"
                  strokeWidth={0.07}
                  paintOrder="stroke"
                >
                  {limb.id}
                </text>
              </g>
            );
          })}
        </svg>
      </div>
      <ButtonGroup size="sm" aria-label="Seen">
        {(Object.keys(VIEWS) as View[]).map((one) => (
          <Button
            key={one}
            variant={view === one ? 'secondary' : 'outline-secondary'}
            aria-pressed={view === one}
            onClick={() => setView(one)}
          >
            {VIEWS[one]}
          </Button>
        ))}
      </ButtonGroup>
    </div>
  );
}
