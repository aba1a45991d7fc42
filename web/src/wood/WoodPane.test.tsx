import { afterEach, describe, expect, it } from 'vitest';
import type { Wood } from '../api/client';
import { answers, box, show, takeDown } from '../testing/harness';
import { diseaseLayer, gradeLayer } from './layers';
import { GradeBox } from './GradeBox';
import { Wounds } from './Wounds';

const wound = (more: Partial<Wood['wounds'][number]>) => ({
  name: 'A',
  old: false,
  onLimb: 'A',
  alongM: 1,
  madeOn: '2027-02-15',
  diameterCm: 8,
  state: 'closing',
  closingMmPerYear: 4,
  expectedMmPerYear: 3.9,
  closedYear: 2037,
  low: 2034,
  high: 2042,
  dueOn: '2029-02-15',
  looks: [],
  ...more,
});

afterEach(takeDown);

describe('the wounds of a tree', () => {
  const of = { treeId: 7, siteId: 1, tag: 'K-01', today: '2029-03-01', onPick: () => undefined };

  it('says when each is closed, how sure that is, and which are due', async () => {
    answers.set('GET /api/trees/{treeId}/photos', []);
    await show(
      <Wounds
        {...of}
        wounds={[
          wound({}),
          wound({ name: 'B', high: undefined, low: 2040, closedYear: 2050 }),
          wound({
            name: 'C',
            state: 'not-closing',
            closedYear: undefined,
            looks: [{ on: '2028-02-15', longMm: 80, shortMm: 78, state: 'fungus', by: 'Ada' }],
          }),
        ]}
      />,
    );
    expect(box.textContent).toContain('closed about 2037, 2034 to 2042 four times of five');
    expect(box.textContent).toContain('closed about 2050, not before 2040');
    expect(box.textContent).toContain('it rots: no year can be given');
    expect(box.querySelectorAll('.wound.due')).toHaveLength(3);
    expect(box.querySelector('.wound-plot')!.getAttribute('aria-label')).toContain('15 Feb 2027 80 mm');
  });
});

describe('a grade', () => {
  it('says what is not known', async () => {
    await show(
      <GradeBox
        wood={
          {
            grade: 'B',
            parts: [
              { part: 'decay', grade: null, text: 'nobody has said', source: 'logs' },
              { part: 'vigour', grade: 'A', text: 'end shoots of 28 cm', source: 'walk', on: '2027-01-01' },
            ],
            byYear: [],
            wounds: [],
            disease: [],
          } as unknown as Wood
        }
      />,
    );
    expect(box.textContent).toContain('B at best while something is not known');
    expect(box.querySelector('.grade-none')!.textContent).toBe('?');
  });
});

describe('the layers of the plan', () => {
  it('say grades, the sick and those at risk', () => {
    expect(gradeLayer([{ treeId: 1, tag: 'a', species: 'apple', dueWounds: [] }]).get(1)!.said).toBe('?');
    const layer = diseaseLayer(
      {
        year: 2027,
        firstYear: 2026,
        lastYear: 2027,
        diseases: [
          {
            disease: 'canker',
            reachM: 15,
            sick: [{ treeId: 1, tag: 'a', eastM: 0, northM: 0, standing: true }],
            canHave: 3,
            joins: 0,
            expected: 0,
            p: 1,
            spreading: false,
            incurable: false,
            atRisk: [
              { treeId: 2, tag: 'b', eastM: 1, northM: 0, risk: 0.82, suspected: false },
              { treeId: 3, tag: 'c', eastM: 1, northM: 0, risk: 0.1, suspected: true },
            ],
            lookNext: [],
          },
        ],
      },
      undefined,
    );
    expect([...layer.values()].map((one) => one.said)).toEqual(['sick', 'risk 0.8', 'suspected']);
  });
});
