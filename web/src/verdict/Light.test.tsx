import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Judgement, LimbAnswer } from '../api/client';
import { box, press, show, takeDown } from '../testing/harness';
import { LightSummary, ShadeOf, WorthOf } from './Light';

const limb = (more: object) => ({ id: 'C', worth: 0.5, ...more }) as unknown as LimbAnswer;
const judgement = (more: object) =>
  ({
    shading: [],
    evaluation: {
      light: {
        inLightBefore: null,
        inLightAfter: null,
        takenByNeighbours: [],
        castOnNeighbours: [],
        ...more,
      },
    },
  }) as unknown as Judgement;

afterEach(takeDown);

describe('what is said of light and worth', () => {
  it('names each part of a worth that is not nothing', async () => {
    const worthOf = { risk: 0, lightLetIn: 0.0123, light: 0.25, form: 0.4, crownTaken: 0.11 };
    await show(<WorthOf limb={limb({ worthOf })} />);
    expect(box.textContent).toBe(
      'Worth 50 of 100 for 11 % of the crown: lets in 1.2 % light on what fruits and stays, form 40.',
    );
  });

  it('is silent of limbs that are left', async () => {
    await show(<WorthOf limb={limb({ worth: null })} />);
    expect(box.textContent).toBe('');
  });

  it('says how much of what fruits is in light before and after', async () => {
    await show(<LightSummary judgement={judgement({ inLightBefore: 0.38, inLightAfter: 0.61 })} />);
    expect(box.textContent).toContain('38 % of its fruiting wood');
    expect(box.textContent).toContain('after the plan 61 %');
  });

  it('says nothing of after the plan where that changes nothing', async () => {
    await show(<LightSummary judgement={judgement({ inLightBefore: 0.614, inLightAfter: 0.611 })} />);
    expect(box.textContent).not.toContain('after the plan');
  });

  it('does not claim to know where nothing fruits, and names neighbours', async () => {
    await show(
      <LightSummary
        judgement={judgement({
          takenByNeighbours: [
            { name: 'K-02', neighbour: true, takes: 0.12 },
            { name: '', neighbour: true, takes: 0.05 },
          ],
        })}
      />,
    );
    expect(box.textContent).toContain('not known');
    expect(box.textContent).toContain('Neighbours take: K-02 12 %, a neighbour 5 %.');
  });

  it('lets the limbs that shade be picked, and not the trees', async () => {
    const pick = vi.fn();
    const shading = [
      {
        limb: 'C',
        shadedBy: [
          { name: 'A', neighbour: false, takes: 0.2 },
          { name: 'K-02', neighbour: true, takes: 0.1 },
        ],
        shades: [],
      },
    ];
    await show(
      <ShadeOf limb="C" judgement={{ ...judgement({}), shading } as unknown as Judgement} onPick={pick} />,
    );
    expect(box.textContent).toBe('Shaded by A 20 %, K-02 10 %. ');
    expect(box.querySelectorAll('button')).toHaveLength(1);
    await press('A');
    expect(pick).toHaveBeenCalledWith('A');
  });
});
