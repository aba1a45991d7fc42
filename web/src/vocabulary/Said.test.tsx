import { screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { box, press, show, takeDown } from '../testing/harness';
import { Said } from './Said';

afterEach(takeDown);

it('tells the meaning of a word of the trade by a tap, once', async () => {
  await show(<Said text="Cut at the collar, not into the collar of the leader." />);
  expect(box.textContent).toBe('Cut at the collar, not into the collar of the leader.');
  expect(screen.getAllByRole('button')).toHaveLength(1);
  expect(screen.getByRole('button').title).toContain('swelling');
  await press('collar');
  expect(box.textContent).toContain('collar (the swelling at a limb’s base');
  await press('collar');
  expect(box.textContent).not.toContain('swelling');
});

it('takes the longest word, in any number, and leaves other words alone', async () => {
  await show(<Said text="Two main branches stay; the MAIN BRANCH rules." />);
  expect(screen.getByRole('button').textContent).toBe('MAIN BRANCH');
  await takeDown();
  await show(<Said text="Discover the crowned king." />);
  expect(box.querySelector('button')).toBeNull();
});
