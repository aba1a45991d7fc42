import { expect, it } from 'vitest';
import { inView } from './planView';

const whole = { width: 100, height: 60 };

it('shows all of a plan until one comes closer', () => {
  expect(inView(whole, 1, { x: 0.9, y: 0.1 })).toEqual({ x: 0, y: 0, width: 100, height: 60 });
});

it('stays on the plan at its corners', () => {
  expect(inView(whole, 4, { x: 0, y: 1 })).toEqual({ x: 0, y: 45, width: 25, height: 15 });
});

it('has what one looks at in its middle', () => {
  expect(inView(whole, 2, { x: 0.5, y: 0.5 })).toEqual({ x: 25, y: 15, width: 50, height: 30 });
});
