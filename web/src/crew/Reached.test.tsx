import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { Reached, WhomToCall } from './Reached';

afterEach(takeDown);

describe('how somebody is reached', () => {
  it('is kept as entered, and nothing is sent while nothing changed', async () => {
    answers.set('GET /api/people/{personId}/contact', { contact: '0100 1' });
    answers.set('PUT /api/people/{personId}/contact', {});
    await show(<Reached personId={7} />, '/', '/');
    const button = [...box.querySelectorAll('button')].find((one) => one.textContent === 'Keep it')!;
    expect(button.disabled).toBe(true);
    await type('Whom to call when something happens', 'Mother, 0100 2');
    await press('Keep it');
    expect(asked.find((one) => one.method === 'PUT')?.body).toEqual({
      mail: '',
      contact: '0100 1',
      emergency: 'Mother, 0100 2',
    });
  });
});

describe('whom to call on a day', () => {
  const unfold = async () => {
    const details = box.querySelector('details')!;
    details.open = true;
    await expect.poll(() => box.textContent).toMatch(/told to whoever|Help Er/);
  };

  it('is asked for when it is unfolded, and says the emergency number first', async () => {
    answers.set('GET /api/days/{dayId}/contacts', {
      from: '2027-02-15',
      until: '2027-02-23',
      people: [
        { personId: 1, name: 'Help Er', contact: '0100 1', emergency: 'Mother, 0100 2' },
        { personId: 2, name: 'Lead Er' },
      ],
    });
    await show(<WhomToCall dayId={4} />, '/', '/');
    expect(asked).toHaveLength(0);
    await unfold();
    expect(box.textContent).toContain('call the emergency number of your country first');
    expect(box.textContent).toContain('Help Er: 0100 1; in an emergency Mother, 0100 2');
    expect(box.textContent).toContain('Lead Er: gave no number');
  });

  it('says when it is told where it is not', async () => {
    answers.set('GET /api/days/{dayId}/contacts', { from: '2027-03-15', until: '2027-03-23', people: [] });
    await show(<WhomToCall dayId={4} />, '/', '/');
    await unfold();
    expect(box.textContent).toContain('from a week before the day until the day after');
  });
});
