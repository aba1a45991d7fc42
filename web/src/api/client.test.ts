import { afterEach, expect, it, vi } from 'vitest';
import { ask } from './client';

afterEach(() => {
  globalThis.asked = undefined;
  vi.unstubAllGlobals();
});

const at = (path: string, method = 'GET') => new Request(location.origin + path, { method });

it('takes what was asked for early once, and asks anew after that', async () => {
  const early = new Response('early');
  vi.stubGlobal('fetch', async () => new Response('now'));
  globalThis.asked = { '/api/sites': Promise.resolve(early) };
  expect(await ask(at('/api/sites'))).toBe(early);
  expect(await (await ask(at('/api/sites'))).text()).toBe('now');
});

it('never takes an early answer for something that is sent', async () => {
  vi.stubGlobal('fetch', async () => new Response('now'));
  globalThis.asked = { '/api/sites': Promise.resolve(new Response('early')) };
  expect(await (await ask(at('/api/sites', 'POST'))).text()).toBe('now');
});
