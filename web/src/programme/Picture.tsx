import { type PointerEvent, useRef, useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Programme, ProgrammeTree } from '../api/client';
import { personMinutes, words } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { ghostOf, inOrder, type Mark, marksOf, type Order, ORDERS } from './layout';
import { useSetTree } from './queries';

const ROW = 24;
const HEAD = 74;
const TAGS = 58;
/** Of minutes the area of a disc tells. */
const radius = (minutes: number) => Math.min(11, 1.5 + Math.sqrt(minutes) * 0.62);

/** The orchard's work as a picture: trees down, years across, a disc for what each takes, hours along the top. */
export function Picture({
  programme,
  siteId,
  label,
}: {
  programme: Programme;
  siteId: number;
  label: (year: number) => string;
}) {
  const set = useSetTree();
  const [order, setOrder] = useState<Order>('worth');
  const [held, setHeld] = useState<{ tree: ProgrammeTree; year: number }>();
  const box = useRef<SVGSVGElement>(null);
  const trees = inOrder(
    programme.trees.filter((tree) => tree.work.length > 0),
    order,
  );
  const all = programme.slots.map((slot) => slot.year);
  const first = Math.min(...all);
  const last = Math.max(...all);
  const years = Array.from({ length: last - first + 1 }, (_, i) => first + i);
  const wide = Math.max(34, Math.min(150, 900 / years.length));
  const width = TAGS + years.length * wide;
  const height = HEAD + trees.length * ROW + 6;
  const x = (year: number) => TAGS + (year - first + 0.5) * wide;
  const yearAt = (e: PointerEvent) => {
    const at = box.current!.getBoundingClientRect();
    const across = ((e.clientX - at.left) / at.width) * width - TAGS;
    return Math.max(first, Math.min(last, first + Math.floor(across / wide)));
  };
  const drop = () => {
    if (held && held.year !== (held.tree.setTo ?? held.tree.begins))
      set.mutate({ treeId: held.tree.id, version: held.tree.setVersion, year: held.year });
    setHeld(undefined);
  };
  return (
    <section aria-label="Picture of the years">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <Form.Label htmlFor="picture-order" className="mb-0 small">
          Trees
        </Form.Label>
        <Form.Select
          id="picture-order"
          size="sm"
          className="w-auto"
          value={order}
          onChange={(e) => setOrder(e.target.value as Order)}
        >
          {Object.entries(ORDERS).map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </Form.Select>
        <span className="small faint">
          A disc is a tree’s work in a year, by its minutes. Rust with a cross: danger, at once. Dashed: where
          it would begin by itself. Drag a tree’s first disc to another year.
        </span>
      </div>
      <ProblemAlert error={set.error} />
      <div className="picture-wrap" data-scrolls tabIndex={0} role="region" aria-label="Trees by years">
        <svg
          ref={box}
          viewBox={`0 0 ${width} ${height}`}
          style={{ width: Math.max(width, 340) }}
          className="programme-picture"
          role="group"
          aria-label="Trees down, years across"
          onPointerMove={(e) => held && setHeld({ ...held, year: yearAt(e) })}
          onPointerUp={drop}
          onPointerCancel={() => setHeld(undefined)}
        >
          <Head
            programme={programme}
            years={years}
            x={x}
            wide={wide}
            label={label}
            height={height}
            held={held?.year}
          />
          {trees.map((tree, row) => (
            <TreeRow
              key={tree.id}
              tree={tree}
              siteId={siteId}
              y={HEAD + row * ROW + ROW / 2}
              x={x}
              held={held?.tree === tree ? held.year : undefined}
              grip={(e) => {
                e.currentTarget.ownerSVGElement?.setPointerCapture(e.pointerId);
                setHeld({ tree, year: tree.begins ?? tree.first ?? first });
              }}
            />
          ))}
        </svg>
      </div>
    </section>
  );
}

/** The years, each with its work against the hours there are. */
function Head({
  programme,
  years,
  x,
  wide,
  label,
  height,
  held,
}: {
  programme: Programme;
  years: number[];
  x: (year: number) => number;
  wide: number;
  label: (year: number) => string;
  height: number;
  held?: number;
}) {
  const of = (year: number) => programme.slots.filter((slot) => slot.year === year);
  const work = (year: number) => of(year).reduce((sum, slot) => sum + slot.minutes / 60, 0);
  const hours = (year: number) =>
    of(year).some((slot) => slot.hours == null)
      ? undefined
      : of(year).reduce((sum, slot) => sum + slot.hours!, 0);
  const most = Math.max(1, ...years.flatMap((year) => [work(year), hours(year) ?? 0]));
  const tall = (value: number) => (value / most) * 34;
  return (
    <>
      {years.map((year) => {
        const there = hours(year);
        const over = of(year).some((slot) => slot.over);
        return (
          <g key={year}>
            {held === year && (
              <rect x={x(year) - wide / 2} y={0} width={wide} height={height} className="held-year" />
            )}
            <line
              x1={x(year) - wide / 2}
              x2={x(year) - wide / 2}
              y1={16}
              y2={height}
              stroke="var(--ground)"
            />
            <rect
              x={x(year) - wide * 0.28}
              y={54 - tall(work(year))}
              width={wide * 0.56}
              height={tall(work(year))}
              fill={over ? 'var(--rust)' : 'var(--damson-mid)'}
            >
              <title>
                {Math.round(work(year) * 10) / 10} h of work
                {there === undefined ? '' : ', ' + Math.round(there * 10) / 10 + ' h there'}
              </title>
            </rect>
            {there !== undefined && (
              <line
                x1={x(year) - wide * 0.4}
                x2={x(year) + wide * 0.4}
                y1={54 - tall(there)}
                y2={54 - tall(there)}
                stroke="var(--ink)"
                strokeWidth={2}
              />
            )}
            <text x={x(year)} y={13} fontSize={12} textAnchor="middle" fontWeight={600} fill="var(--ink)">
              {wide < 50 ? '’' + String(year).slice(2) : label(year)}
            </text>
            <text x={x(year)} y={67} fontSize={11} textAnchor="middle" fill="var(--faint)">
              {Math.round(work(year))} h
            </text>
          </g>
        );
      })}
    </>
  );
}

function TreeRow({
  tree,
  siteId,
  y,
  x,
  held,
  grip,
}: {
  tree: ProgrammeTree;
  siteId: number;
  y: number;
  x: (year: number) => number;
  held?: number;
  grip: (e: PointerEvent<SVGCircleElement>) => void;
}) {
  const marks = marksOf(tree);
  const ghost = ghostOf(tree);
  const says = (mark: Mark) =>
    `${tree.tag} ${words(tree.species)}: ${personMinutes(mark.minutes)}${mark.danger ? ', danger: at once' : ''}`;
  return (
    <g>
      <Link to={'/sites/' + siteId + '/trees/' + tree.id}>
        <text x={2} y={y + 4} fontSize={12} fill="var(--damson)" className="picture-tag">
          {tree.tag}
          {tree.setTo != null && ' ✻'}
          <title>{words(tree.species) + (tree.setTo != null ? ', set by hand' : '')}</title>
        </text>
      </Link>
      {ghost !== undefined && (
        <circle
          cx={x(ghost)}
          cy={y}
          r={radius(tree.minutes)}
          fill="none"
          stroke="var(--damson-mid)"
          strokeDasharray="2.5 2.5"
        >
          <title>{tree.tag + ' would begin here by itself'}</title>
        </circle>
      )}
      {marks.map((mark) => (
        <g key={mark.year + (mark.danger ? '!' : '')}>
          <circle
            cx={x(mark.year) + (mark.danger ? -14 : 0)}
            cy={y}
            r={mark.danger ? Math.max(5, radius(mark.minutes)) : radius(mark.minutes)}
            fill={mark.danger ? 'var(--rust)' : 'var(--damson)'}
            opacity={held !== undefined && !mark.danger ? 0.3 : 1}
            className={!mark.danger && mark.year === tree.begins ? 'grip' : undefined}
            onPointerDown={!mark.danger && mark.year === tree.begins ? grip : undefined}
          >
            <title>{says(mark)}</title>
          </circle>
          {mark.danger && (
            <path
              d={`M${x(mark.year) - 17} ${y - 3}l6 6m0 -6l-6 6`}
              stroke="var(--sheet)"
              strokeWidth={1.6}
              pointerEvents="none"
            />
          )}
        </g>
      ))}
      {held !== undefined && (
        <circle cx={x(held)} cy={y} r={radius(tree.minutes)} fill="var(--damson)" pointerEvents="none" />
      )}
    </g>
  );
}
