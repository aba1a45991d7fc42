import { screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import type { Tree } from '../api/client';
import { answers, box, show, takeDown } from '../testing/harness';
import { NextWalk } from './NextWalk';

const tree = (id: number, eastM: number, surveyedOn?: string) =>
  ({
    id,
    siteId: 3,
    data: { tag: 'K-' + id, eastM, northM: 0 },
    survey: surveyedOn ? { surveyedOn } : undefined,
  }) as Tree;

afterEach(takeDown);

it('leads from a tree walked today to the nearest that was not', async () => {
  answers.set('GET /api/sites/{siteId}', { id: 3, today: '2027-02-20', data: {} });
  answers.set('GET /api/sites/{siteId}/trees', { total: 2, trees: [tree(1, 30), tree(2, 8)] });
  await show(<NextWalk tree={tree(9, 0, '2027-02-20')} />);
  expect(screen.getByRole('link').textContent).toBe('Walk the next: K-2');
  expect(screen.getByRole('link').getAttribute('href')).toBe('/sites/3/trees/2/walk');
});

it('leads nowhere from a tree walked another day', async () => {
  answers.set('GET /api/sites/{siteId}', { id: 3, today: '2027-02-20', data: {} });
  answers.set('GET /api/sites/{siteId}/trees', { total: 1, trees: [tree(1, 30)] });
  await show(<NextWalk tree={tree(9, 0, '2026-02-20')} />);
  expect(box.textContent).toBe('');
});
