import { fireEvent, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { box, show, takeDown } from '../testing/harness';
import { Pairs } from './Pairs';

afterEach(takeDown);

it('lays the newest photo of a side over an older one of the same side', async () => {
  await show(
    <Pairs
      photos={[
        { key: 'c', spot: 'north', takenOn: '2027-02-01' },
        { key: 'a', spot: 'north', takenOn: '2023-02-01' },
        { key: 'b', spot: 'north', takenOn: '2025-02-01' },
        { key: 'd', spot: 'east', takenOn: '2027-02-01' },
      ]}
    />,
  );
  const pictures = () => [...box.querySelectorAll('img')].map((one) => one.getAttribute('src'));
  expect(pictures()).toEqual(['/api/photos/a', '/api/photos/c']);
  expect(screen.getByLabelText<HTMLSelectElement>('Which side').options).toHaveLength(1);
  fireEvent.change(screen.getByLabelText('Beside the photo of'), { target: { value: '1' } });
  expect(pictures()[0]).toBe('/api/photos/b');
  fireEvent.change(screen.getByLabelText(/drawn across/), { target: { value: '30' } });
  expect(box.querySelectorAll('img')[1]!.style.clipPath).toBe('inset(0 0 0 70%)');
});

it('shows nothing where no side was taken twice', async () => {
  await show(<Pairs photos={[{ key: 'd', spot: 'east', takenOn: '2027-02-01' }]} />);
  expect(box.textContent).toBe('');
});
