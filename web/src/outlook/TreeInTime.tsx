import { type KeyboardEvent, useEffect, useState } from 'react';
import { Button, ButtonGroup, Form } from 'react-bootstrap';
import { useSearchParams } from 'react-router';
import type { Judgement } from '../api/client';
import { compass } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { asItStands, type View } from '../drawing/projection';
import { marksOf } from '../drawing/marks';
import { TreeDrawing } from '../drawing/TreeDrawing';
import { drawn, frame } from '../drawing/drawn';
import { NewWood } from '../drawing/NewWood';
import { Key, Plots } from './Plots';
import { useOutlook, useWhatIfs } from './queries';
import { Regrown } from '../drawing/Regrown';
import { WhatIfs } from './WhatIfs';
import { type Line, linesOf } from '../vocabulary/outlook';

const SIDES = [180, 270, 0, 90];
const ADDRESS_AFTER_MS = 150;
const YEARS_AHEAD = 10;

/** From where, in which way, how many years on, and whether the three ways stand side by side. */
interface Look {
  view: View;
  way: string;
  year: number;
  beside: boolean;
}

const lookOf = (params: URLSearchParams): Look => ({
  view: params.get('view') === 'above' ? 'above' : Number(params.get('view') ?? 180),
  way: params.get('way') ?? 'plan',
  year: Math.max(0, Number(params.get('year') ?? 0) || 0),
  beside: params.get('beside') === 'yes',
});

/** The tree drawn from any side, in any of the next ten years, left alone, by the plan, or cut all at once. */
export function TreeInTime({
  judgement,
  treeId,
  species,
  picked,
  onPick,
}: {
  judgement: Judgement;
  treeId: number;
  species: string;
  picked?: string;
  onPick: (limb: string) => void;
}) {
  const { evaluation, drawing } = judgement;
  const outlook = useOutlook(treeId);
  const whatIfs = useWhatIfs(treeId);
  const [params, setParams] = useSearchParams();
  const ten = outlook.data;
  const lines = ten ? linesOf(ten, whatIfs.data ?? []) : [];
  const last = ten ? ten.plan.years.length - 1 : 0;
  // Keys pressed before the years are there are not lost.
  const most = ten ? last : YEARS_AHEAD;
  const [{ view, way: asked, year: wanted, beside }, setLook] = useState<Look>(() => lookOf(params));
  const shown = lines.find((line) => line.key === asked) ?? lines.find((line) => line.key === 'plan');
  const way = shown?.key ?? 'plan';
  const at = Math.max(0, Math.min(last, wanted));
  // Keys come faster than addresses change: the address follows when the hand rests.
  useEffect(() => {
    const rest = window.setTimeout(() => {
      const told: Record<string, string> = {
        view: view === 180 ? '' : String(view),
        way: asked === 'plan' ? '' : asked,
        year: wanted ? String(wanted) : '',
        beside: beside ? 'yes' : '',
      };
      // As it stands now: something else on the page may have changed the address since this was drawn.
      const address = new URLSearchParams(window.location.search);
      if (Object.entries(told).every(([key, value]) => (address.get(key) ?? '') === value)) return;
      for (const [key, value] of Object.entries(told)) {
        if (value) address.set(key, value);
        else address.delete(key);
      }
      setParams(address, { replace: true });
    }, ADDRESS_AFTER_MS);
    return () => window.clearTimeout(rest);
  }, [view, asked, wanted, beside, setParams]);
  const look = (change: Partial<Look>) => setLook((now) => ({ ...now, ...change }));
  const step = (by: number) =>
    setLook((now) => ({ ...now, year: Math.max(0, Math.min(most, Math.min(most, now.year) + by)) }));
  const turn = (by: number) =>
    setLook((now) => ({ ...now, view: ((now.view === 'above' ? 180 : now.view) + by + 360) % 360 }));
  const keys = (e: KeyboardEvent) => {
    const does = {
      ArrowLeft: () => turn(45),
      ArrowRight: () => turn(-45),
      ArrowUp: () => step(1),
      ArrowDown: () => step(-1),
    }[e.key];
    if (!does) return;
    e.preventDefault();
    does();
  };
  const limbs = new Map(evaluation.limbs.map((limb) => [limb.id, limb]));
  const year = shown?.years[at];
  const sheet = shown && frame(drawing, beside ? lines : [shown]);
  const draw = (of: Line | undefined, small: boolean) => {
    const then = of && at > 0 ? drawn(drawing, of.years[at]!) : undefined;
    const light = then
      ? then.light
      : new Map(
          evaluation.limbs.flatMap((limb) => (limb.light == null ? [] : [[limb.id, limb.light] as const])),
        );
    return (
      <TreeDrawing
        drawing={drawing}
        limbs={limbs}
        standing={then?.standing ?? asItStands(drawing)}
        view={view}
        picked={picked}
        onPick={onPick}
        marks={then ? then.marks : of?.key === 'leftAlone' ? new Map() : marksOf(evaluation.limbs)}
        light={light}
        reachM={sheet}
        plain={small}
      >
        {of && <NewWood rooms={of.years[at]!.refilled} view={view} />}
        {of && <Regrown shoots={of.years[at]!.regrown} view={view} />}
      </TreeDrawing>
    );
  };
  return (
    <div>
      <div className="d-flex flex-wrap gap-2 mb-1 align-items-center no-print">
        <ButtonGroup size="sm" aria-label="Side">
          <Button variant="outline-secondary" aria-label="Walk left" onClick={() => turn(45)}>
            <i className="bi bi-arrow-left" aria-hidden="true" />
          </Button>
          {SIDES.map((side) => (
            <Button
              key={side}
              variant={view === side ? 'secondary' : 'outline-secondary'}
              aria-pressed={view === side}
              onClick={() => look({ view: side })}
            >
              from {compass(side)}
            </Button>
          ))}
          <Button
            variant={view === 'above' ? 'secondary' : 'outline-secondary'}
            aria-pressed={view === 'above'}
            onClick={() => look({ view: 'above' })}
          >
            above
          </Button>
          <Button variant="outline-secondary" aria-label="Walk right" onClick={() => turn(-45)}>
            <i className="bi bi-arrow-right" aria-hidden="true" />
          </Button>
        </ButtonGroup>
      </div>
      <div className="d-flex flex-wrap gap-2 mb-1 align-items-center no-print">
        <ButtonGroup size="sm" aria-label="Way">
          {lines.map((one) => (
            <Button
              key={one.key}
              variant={way === one.key ? 'secondary' : 'outline-secondary'}
              aria-pressed={way === one.key}
              title={one.means}
              onClick={() => look({ way: one.key })}
            >
              {one.name}
            </Button>
          ))}
        </ButtonGroup>
        <Form.Check
          type="switch"
          id="beside"
          label="side by side"
          checked={beside}
          onChange={() => look({ beside: !beside })}
        />
        <div className="year-step">
          <Button
            size="sm"
            variant="outline-secondary"
            aria-label="A year back"
            disabled={at === 0}
            onClick={() => step(-1)}
          >
            <i className="bi bi-chevron-left" aria-hidden="true" />
          </Button>
          <Form.Range
            aria-label="Year"
            aria-valuetext={year?.yearLabel}
            min={0}
            max={last}
            value={at}
            onChange={(e) => look({ year: Number(e.target.value) })}
          />
          <Button
            size="sm"
            variant="outline-secondary"
            aria-label="A year on"
            disabled={at >= last}
            onClick={() => step(1)}
          >
            <i className="bi bi-chevron-right" aria-hidden="true" />
          </Button>
          <strong aria-live="polite">{at === 0 ? 'now' : 'early ' + year?.yearLabel}</strong>
        </div>
      </div>
      <ProblemAlert error={outlook.error} />
      <div
        tabIndex={0}
        onKeyDown={keys}
        role="application"
        aria-label="Drawing: left and right arrows walk round the tree, up and down step through the years"
        className={beside ? 'three-ways' : undefined}
      >
        {beside
          ? lines.map((one) => (
              <figure key={one.key} className={one.key === way ? 'chosen' : undefined}>
                <figcaption>{one.name}</figcaption>
                {draw(one, true)}
              </figure>
            ))
          : draw(shown, false)}
      </div>
      <p className="small faint mb-1">
        {view === 'above' ? 'Seen from above.' : 'Seen from the ' + compass(view) + '.'} Teeth: comes off.
        Bar: shortened. Arc: bent. Hatched: dead. Green strokes: shoots that answered a cut. Dashed leaf: new
        wood that is kept. Leaf is tinted by its light, the share of the open sky’s written on it.
      </p>
      {ten && shown && (
        <>
          <div className="d-flex flex-wrap gap-3 align-items-baseline">
            <h2 className="mb-0">Ten years on</h2>
            <Key lines={lines} />
          </div>
          <ul className="ps-3 mb-1">
            {ten.says.map((said, i) => (
              <li key={said.code} className={i === 0 ? 'fw-semibold' : undefined}>
                {said.text}
              </li>
            ))}
          </ul>
          <p className="small mb-1">{shown.means}</p>
          <Plots lines={lines} shown={shown} at={at} onStep={(year) => look({ year })} />
          <ProblemAlert error={whatIfs.error} />
          <WhatIfs treeId={treeId} species={species} whatIfs={whatIfs.data ?? []} lines={lines} />
          <p className="small faint">
            Each year is told at leaf fall, after its work. Not a forecast to the shoot: our own assumptions,
            see Numbers. The shaded band is what comes of growth, dying and regrowth{' '}
            {Math.round(ten.off * 100)} % weaker or stronger.
          </p>
        </>
      )}
    </div>
  );
}
