import { useQuery } from '@tanstack/react-query';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { answers, box, press, settle, show, takeDown } from '../testing/harness';
import { useChange } from '../api/useChange';
import { BeingJudged } from './BeingJudged';

const JUDGING = 'GET /api/sites/{siteId}/judging';
const list = vi.fn(() => Promise.resolve('a list'));

/** A page with a list, and a change of what the site's trees are judged by. */
function Page() {
  useQuery({ queryKey: ['a list'], queryFn: list });
  const change = useChange(() => Promise.resolve(1), 7);
  return (
    <>
      <BeingJudged siteId={7} />
      <button onClick={() => change.mutate(undefined)}>Change</button>
    </>
  );
}

afterEach(async () => {
  await takeDown();
  list.mockClear();
});

describe('trees that wait to be judged', () => {
  it('says nothing while none waits', async () => {
    answers.set(JUDGING, { waiting: 0, failing: 0, trees: 12 });
    await show(<Page />);
    expect(box.querySelector('[role=status]')).toBeNull();
  });

  it('says how many were judged, and of those that could not be', async () => {
    answers.set(JUDGING, { waiting: 360, failing: 1, trees: 1000 });
    await show(<Page />);
    expect(box.textContent).toContain('Being judged: 640 of 1000 trees.');
    expect(box.textContent).toContain('One tree could not be judged and is tried again.');
  });

  it('asks for lists once more when all are judged, however soon', async () => {
    answers.set(JUDGING, { waiting: 0, failing: 0, trees: 12 });
    await show(<Page />);
    expect(list).toHaveBeenCalledTimes(1);
    await press('Change');
    await settle();
    await settle();
    // Once for the change, once since judging was over.
    expect(list).toHaveBeenCalledTimes(3);
  });
});
