import { act } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { Drawing, TenYears } from '../api/client';
import { box, show, takeDown } from '../testing/harness';
import { drawn, frame } from '../drawing/drawn';
import { ticks } from './measures';
import { Plots } from './Plots';
import { linesOf } from '../vocabulary/outlook';

const at = (eastM: number, northM: number, upM: number) => ({ eastM, northM, upM });
const limb = (upM: number, more = {}) => ({
  id: 'A',
  base: at(0, 0, 1),
  tip: at(1, 0, upM),
  diameterCm: 8,
  tipDiameterCm: 4,
  living: true,
  light: 0.5,
  leafCentre: at(0.6, 0, upM / 2),
  leafAlongM: 1,
  leafAcrossM: 0.5,
  cutAtM: 0,
  ...more,
});
const range = { least: 1, most: 3 };
let called = 2026;
const year = (heightM: number, more = {}) => ({
  yearLabel: String(2027 + (called++ % 2)),
  is: {
    year: 2027,
    heightM,
    inLight: 0.5,
    light: 0.5,
    uprights: 12,
    fruitIndex: 0.4,
    goodFruit: 0.3,
    goodFruitInReach: 0.2,
    deadShare: 0,
    splitRisk: 0,
    minutesDone: 0,
    minutesWaiting: 30,
    takenShare: 0,
  },
  band: {
    heightM: range,
    inLight: range,
    uprights: range,
    fruitIndex: range,
    goodFruit: range,
    firstFruit: range,
    deadShare: range,
  },
  limbs: [limb(heightM)],
  regrown: [],
  refilled: [],
  ...more,
});
const ten = {
  off: 0.3,
  leftAlone: { years: [year(4), year(5)] },
  plan: { years: [year(4), year(3, { limbs: [limb(3, { cut: 'shorten', cutAtM: 1.2, leafAlongM: 0 })] })] },
  allAtOnce: {
    years: [
      year(4),
      year(2, { regrown: [{ limb: 'A', from: at(0, 0, 6), lengthM: 1.5, shoots: 9, spreadM: 1 }] }),
    ],
  },
} as unknown as TenYears;
const lines = linesOf(ten, []);
const drawing = {
  heightM: 4,
  spreadM: 2,
  limbs: [{ id: 'A', parent: null, azimuthDeg: 90, angleDeg: 45 }],
} as unknown as Drawing;

describe('ten years of a tree', () => {
  it('are drawn on a sheet that holds the highest of the ways shown, their shoots included', () => {
    expect(frame(drawing, lines.slice(1, 2)).heightM).toBe(4);
    expect(frame(drawing, lines.slice(0, 2)).heightM).toBe(5);
    expect(frame(drawing, lines.slice(2)).heightM).toBe(7.5);
  });

  it('have the marks of the year, and leaf only on limbs that carry some', () => {
    const then = drawn(drawing, ten.plan.years[1]!);
    expect(then.marks.get('A')).toEqual({ kind: 'shorten', alongM: 1.2, urgent: false });
    expect(then.light.size).toBe(0);
    expect(then.standing[0]!.limb.leafCentre).toBeUndefined();
    expect(drawn(drawing, ten.plan.years[0]!).light.get('A')).toBe(0.5);
  });

  it('are plotted on one scale, said in words for each way, and stepped to by a click', async () => {
    const step = vi.fn();
    await show(<Plots lines={lines} shown={lines[1]!} at={1} onStep={step} />);
    expect(box.textContent).toContain('Height 3.0 m');
    const height = [...box.querySelectorAll('button')].find((one) => one.textContent!.startsWith('Height'))!;
    expect(height.textContent).toBe(
      'Height 3.0 m in ' +
        ten.plan.years[1]!.yearLabel +
        ': left alone 5.0 m, the plan 3.0 m, all at once 2.0 m',
    );
    expect(box.textContent).toContain('Light in the crown 50 %');
    expect(box.textContent).toContain('Good fruit within reach 20 %');
    // What is nothing in every way has no plot.
    expect(box.textContent).not.toContain('Dead wood');
    expect(box.querySelector('.large-plot svg')!.getAttribute('aria-label')).toContain(
      'Good fruit within reach over ten years: left alone from 20 %',
    );
    act(() => height.click());
    const large = box.querySelector('.large-plot svg')!;
    expect(large.getAttribute('aria-label')).toContain('the plan from 4.0 m to 3.0 m');
    // The year of the plan's cuts is marked, and the axis has round steps.
    expect(large.querySelectorAll('.cutting-year')).toHaveLength(1);
    expect(box.querySelector('.large-plot')!.textContent).toContain('2.0 m');
    large.dispatchEvent(new MouseEvent('click', { bubbles: true, clientX: 0 }));
    expect(step).toHaveBeenCalled();
    await takeDown();
  });

  it('have axes in round steps up to the top', () => {
    expect(ticks(0)).toEqual([0]);
    expect(ticks(0.31)).toEqual([0, 0.1, 0.2, 0.30000000000000004]);
    expect(ticks(6.4)).toEqual([0, 2, 4, 6]);
  });
});
