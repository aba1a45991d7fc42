import { act } from 'react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Tree } from '../api/client';
import { box, press, show, takeDown } from '../testing/harness';
import { SitePlan } from './SitePlan';

const tree = (id: number, eastM: number, northM: number) =>
  ({ id, data: { tag: 'K-' + id, species: 'apple', eastM, northM } }) as Tree;

const onPick = vi.fn();
const plan = () => box.querySelector<SVGSVGElement>('.site-plan')!;
const view = () => plan().getAttribute('viewBox');
const pointer = (type: string, clientX: number, buttons: number) =>
  act(() => {
    plan().dispatchEvent(
      new PointerEvent(type, { bubbles: true, pointerId: 1, clientX, clientY: 10, buttons }),
    );
  });

beforeEach(async () => {
  onPick.mockClear();
  await show(
    <SitePlan trees={[tree(1, 0, 0), tree(2, 60, 0), tree(3, 60, 40), tree(4, 30, 20)]} onPick={onPick} />,
  );
  plan().getBoundingClientRect = () => new DOMRect(0, 0, 600, 400);
  plan().setPointerCapture = () => undefined;
});
afterEach(takeDown);

it('moves over the plan while a finger is down, and picks nothing by that', async () => {
  await press('Closer');
  const before = view();
  pointer('pointerdown', 300, 1);
  pointer('pointermove', 200, 1);
  expect(view()).not.toBe(before);
  act(() => {
    box.querySelector<SVGGElement>('.tree')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
  });
  expect(onPick).not.toHaveBeenCalled();
});

it('stays where it is when the pointer was let go of elsewhere and only passes over', async () => {
  await press('Closer');
  const before = view();
  pointer('pointerdown', 300, 1);
  pointer('pointermove', 100, 0);
  expect(view()).toBe(before);
});

it('picks a tree', () => {
  act(() => {
    box.querySelector<SVGGElement>('.tree')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
  });
  expect(onPick).toHaveBeenCalledWith(1);
});

it('lays no word over another: what weighs most keeps its place', async () => {
  await takeDown();
  const layer = new Map([
    [2, { said: 'sick', tone: 'red' }],
    [1, { said: 'suspected', tone: 'plum' }],
    [3, { said: 'risk 0.4', tone: 'gold' }],
  ]);
  await show(<SitePlan trees={[tree(1, 0, 0), tree(2, 2, 0), tree(3, 60, 40)]} layer={layer} />);
  const words = [...box.querySelectorAll('.site-plan text')].map((one) => one.textContent);
  expect(words).toContain('sick');
  expect(words).toContain('risk 0.4');
  expect(words).not.toContain('suspected');
  expect(box.textContent).toContain('Come closer to read all of it.');
});
