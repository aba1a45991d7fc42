import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SiteLight } from '../api/client';
import { answers, asked, box, press, settle, show, takeDown } from '../testing/harness';
import { LightPanel } from './LightPanel';

const JOB = '/api/sites/{siteId}/light/job';
const streams: { url: string; onmessage?: (event: { data: string }) => void; closed: boolean }[] = [];

beforeEach(() => {
  streams.length = 0;
  vi.stubGlobal(
    'EventSource',
    class {
      onmessage?: (event: { data: string }) => void;
      closed = false;
      constructor(readonly url: string) {
        streams.push(this as never);
      }
      close() {
        this.closed = true;
      }
    },
  );
});
afterEach(async () => {
  await takeDown();
  vi.unstubAllGlobals();
});

const light = (more = {}) =>
  ({
    trees: [
      { treeId: 1, tag: 'K-1', light: 0.3, shadedBy: [{ treeId: 2, tag: 'K-2', takes: 0.2 }] },
      { treeId: 2, tag: 'K-2', light: 0.5, shadedBy: [{ treeId: 1, tag: 'K-1', takes: 0.01 }] },
    ],
    ground: null,
    tooClose: [],
    ...more,
  }) as unknown as SiteLight;

describe('light and room of a site', () => {
  it('names who takes much, and not who takes next to nothing', async () => {
    answers.set(`GET ${JOB}`, []);
    await show(<LightPanel siteId={1} light={light()} />);
    expect([...box.querySelectorAll('li')].map((one) => one.textContent)).toEqual([
      'K-2 takes 20 % from K-1',
    ]);
    expect(box.textContent).toContain('No crowns overlap');
  });

  it('shows the first pairs that stand too close and how many more there are', async () => {
    answers.set(`GET ${JOB}`, []);
    const pair = (i: number) => ({
      one: 'A' + i,
      other: 'B' + i,
      reasons: [{ text: 'Too close ' + i + '.' }],
    });
    await show(
      <LightPanel siteId={1} light={light({ tooClose: Array.from({ length: 11 }, (_, i) => pair(i)) })} />,
    );
    expect(box.textContent).toContain('Too close 7.');
    expect(box.textContent).not.toContain('Too close 8.');
    expect(box.textContent).toContain('and 3 more pairs');
  });

  it('follows a running job, also one begun on another page, and stops it', async () => {
    answers.set(`GET ${JOB}`, [{ id: 9, state: 'running', done: 0, total: 27 }]);
    answers.set('POST /api/jobs/{jobId}/cancel', { id: 9, state: 'cancelled', done: 5, total: 27 });
    await show(<LightPanel siteId={1} light={light()} />);
    expect(streams[0]!.url).toBe('/api/jobs/9/progress');
    streams[0]!.onmessage!({ data: JSON.stringify({ id: 9, state: 'running', done: 5, total: 27 }) });
    await settle();
    expect(box.textContent).toContain('5 of 27');
    await press('Stop');
    expect(asked.some((one) => one.path === '/api/jobs/{jobId}/cancel')).toBe(true);
  });

  it('says how the last one ended', async () => {
    answers.set(`GET ${JOB}`, [
      { id: 9, state: 'failed', done: 5, total: 27, problem: 'The server was stopped.' },
    ]);
    await show(<LightPanel siteId={1} light={light()} />);
    expect(box.textContent).toContain('The server was stopped.');
    expect(streams).toHaveLength(0);
  });
});
