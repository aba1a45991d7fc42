import { act } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { store } from '../field/store';
import { answers, box, press, settle, show, takeDown } from '../testing/harness';
import { emptyDraft } from './draft';
import { useDraft } from './useDraft';

afterEach(async () => {
  vi.restoreAllMocks();
  await takeDown();
});

function Walk() {
  const { change, kept } = useDraft({ treeId: 7, siteId: 3, tag: 'K-1', basedOn: 0 }, () => ({
    draft: emptyDraft('2027-02-20'),
    basedOn: 0,
  }));
  const touch = () => change((now) => ({ ...now, limbs: [...now.limbs, {}] }));
  return (
    <>
      <button onClick={touch}>touch</button>
      <output>{kept}</output>
    </>
  );
}

it('does not say that all is kept while the last touch is not', async () => {
  answers.set('GET /api/trees/{treeId}/draft', { version: 0, document: null });
  await show(<Walk />);
  const written: (() => void)[] = [];
  vi.spyOn(store, 'changeDraft').mockImplementation(() => new Promise((done) => written.push(done)));
  await press('touch');
  await press('touch');
  await act(async () => written[0]!());
  await settle();
  expect(box.querySelector('output')!.textContent).toBe('keeping');
  await act(async () => written[1]!());
  await settle();
  expect(box.querySelector('output')!.textContent).toBe('on this phone');
});
