import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { render, screen, cleanup } from '@testing-library/react';
import { Guard } from './Broken';

function Page({ breaks }: { breaks: boolean }) {
  if (breaks) throw new Error('no limb');
  return <p>the page</p>;
}

const at = (place: string, breaks: boolean) => (
  <Guard at={place}>
    <Page breaks={breaks} />
  </Guard>
);

beforeEach(() => void vi.spyOn(console, 'error').mockImplementation(() => undefined));
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

it('says what broke where it broke, and nothing of it elsewhere', () => {
  const { rerender } = render(at('/a', false));
  expect(screen.getByText('the page')).toBeTruthy();
  rerender(at('/a', true));
  expect(screen.getByText('This page broke')).toBeTruthy();
  expect(screen.getByText('no limb')).toBeTruthy();
  rerender(at('/a', true));
  expect(screen.getByText('This page broke')).toBeTruthy();
  rerender(at('/b', false));
  expect(screen.getByText('the page')).toBeTruthy();
});
