import { useQuery } from '@tanstack/react-query';
import { act } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { box, settle, show, takeDown } from '../testing/harness';
import { useSending } from './useWaiting';

afterEach(takeDown);

let says = 'before';
const slow: (() => void)[] = [];

function Page() {
  useSending();
  const asked = useQuery({
    queryKey: ['slow'],
    queryFn: () => {
      const answer = says;
      return new Promise<string>((done) => slow.push(() => done(answer)));
    },
  });
  return <output>{asked.data}</output>;
}

it('does not keep an answer of before something was taken, though it comes after', async () => {
  await show(<Page />);
  says = 'after';
  // Another page of this phone, or its worker, has sent what waited.
  const other = new BroadcastChannel('bough-phone');
  await act(async () => other.postMessage('taken'));
  await settle();
  other.close();
  await act(async () => slow.forEach((answer) => answer()));
  await settle();
  expect(box.querySelector('output')!.textContent).toBe('after');
});
