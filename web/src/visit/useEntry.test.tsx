import { useLayoutEffect } from 'react';
import { afterEach, expect, it } from 'vitest';
import { box, show, takeDown } from '../testing/harness';
import type { Entry } from '../field/kept';
import { useEntry } from './useEntry';

afterEach(takeDown);

/** Somebody whose thumb is on the glass the moment the log is shown. */
function Quick() {
  const { entry, change } = useEntry('7', () => ({ minutes: '' }) as Entry);
  const shown = !!entry;
  useLayoutEffect(() => {
    if (shown) change(() => ({ minutes: '12' }));
  }, [shown, change]);
  return <output>{entry?.minutes}</output>;
}

it('takes what is touched as soon as the log is shown', async () => {
  await show(<Quick />);
  expect(box.querySelector('output')!.textContent).toBe('12');
});
