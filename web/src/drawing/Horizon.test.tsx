import { act } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { press, show, takeDown } from '../testing/harness';
import { Horizon } from './Horizon';
import { headingOf } from './useHeading';

afterEach(async () => {
  vi.unstubAllGlobals();
  await takeDown();
});

it('turns the tree as somebody walks round it with a phone', async () => {
  vi.stubGlobal('DeviceOrientationEvent', class {});
  vi.stubGlobal('matchMedia', () => ({ matches: true }));
  const onTurn = vi.fn();
  await show(<Horizon view={180} onTurn={onTurn} />);
  const point = (alpha: number) =>
    act(
      () =>
        void window.dispatchEvent(
          Object.assign(new Event('deviceorientationabsolute'), { alpha, absolute: true }),
        ),
    );
  point(180);
  expect(onTurn).not.toHaveBeenCalled();
  await press('as I stand');
  // Pointed east: the tree is seen from the west.
  point(270);
  expect(onTurn).toHaveBeenLastCalledWith(270);
  point(271);
  expect(onTurn).toHaveBeenCalledTimes(1);
  point(180);
  expect(onTurn).toHaveBeenLastCalledWith(0);
});

it('knows north only where the phone does', () => {
  expect(headingOf({ alpha: 90, absolute: true })).toBe(270);
  expect(headingOf({ alpha: 90, absolute: false })).toBeUndefined();
  expect(headingOf({ alpha: null, absolute: true })).toBeUndefined();
  expect(headingOf({ alpha: 0, absolute: false, webkitCompassHeading: 45 })).toBe(45);
});
