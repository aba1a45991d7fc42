import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { HistoryView } from './HistoryView';

afterEach(takeDown);

describe('the history of a site', () => {
  it('says who changed what, shows before and after, undoes, and looks for a word', async () => {
    answers.set('GET /api/sites/{siteId}/members', []);
    answers.set('GET /api/sites/{siteId}/history', [
      {
        id: 40,
        at: '2027-02-20T10:15:00Z',
        personId: 1,
        who: 'Wren Ashdown',
        entity: 'tree',
        action: 'changed',
        treeId: 5,
        tag: 'K-05',
      },
    ]);
    answers.set('GET /api/changes/{id}', {
      id: 40,
      at: '2027-02-20T10:15:00Z',
      who: 'Wren Ashdown',
      entity: 'tree',
      action: 'changed',
      undoable: true,
      changes: [{ field: 'tag', before: 'K-5', after: 'K-05' }],
    });
    answers.set('POST /api/changes/{id}/undo', {});
    await show(<HistoryView />, '/sites/:siteId/history', '/sites/3/history');
    expect(box.textContent).toContain('Wren Ashdown: tree changed at K-05');
    await press('Before and after');
    expect(box.textContent).toContain('K-5');
    await press('Undo');
    expect(asked.some((one) => one.path === '/api/changes/{id}/undo')).toBe(true);
    await type('A tag, or a word in what was changed', 'quince');
    expect(asked.filter((one) => one.path === '/api/sites/{siteId}/history').length).toBeGreaterThan(1);
  });
});
