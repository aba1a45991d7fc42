import { afterEach, describe, expect, it } from 'vitest';
import { answers, asked, box, press, show, takeDown, type } from '../testing/harness';
import { setCurrentPersonId } from '../api/client';
import { noteItem } from '../field/items';
import { keep } from '../field/phone';
import { Join } from './Join';
import { SignIn } from './SignIn';

afterEach(takeDown);

const NOBODY = { token: 't', demo: [], begun: true };
const sent = (path: string) => asked.filter((one) => one.path === path && one.method !== 'GET').at(-1)?.body;

describe('the way in', () => {
  it('sends login and password, and says what is refused', async () => {
    answers.set('GET /api/me', NOBODY);
    answers.set('POST /api/session', 401);
    await show(<SignIn me={NOBODY} />);
    await type('Login', 'wren@example.org');
    await type('Password', 'quince and medlar');
    await press('Sign in');
    expect(sent('/api/session')).toEqual({ login: 'wren@example.org', password: 'quince and medlar' });
    expect(box.textContent).toContain('refused with 401');
  });

  it('offers the people of the demo, each by one press', async () => {
    const me = { ...NOBODY, demo: [{ name: 'Tamsin Oke', role: 'coordinator' }] };
    answers.set('GET /api/me', me);
    answers.set('POST /api/demo/sign-in', me);
    await show(<SignIn me={me} />);
    await press('Tamsin Oke, coordinator');
    expect(sent('/api/demo/sign-in')).toEqual({ name: 'Tamsin Oke' });
  });

  it('says that what waits is not lost, and what to do where nobody coordinates yet', async () => {
    await keep(noteItem({ siteId: 1, dayId: 2, on: '2027-03-06' }, '1', 'Gate is stuck'));
    await show(<SignIn me={{ ...NOBODY, begun: false }} />);
    expect(box.textContent).toContain('1 thing waits on this phone');
    expect(box.textContent).toContain('./run');
    expect(box.querySelector('#password')).toBeNull();
  });
});

describe('an invitation', () => {
  const look = {
    kind: 'join',
    name: 'Pip Marlow',
    siteName: 'Kilnfield',
    role: 'volunteer',
    wantsPassword: false,
  };

  it('lets a volunteer in without a password', async () => {
    window.location.hash = '#secret';
    answers.set('GET /api/me', NOBODY);
    answers.set('POST /api/invitations/look', look);
    answers.set('POST /api/invitations/accept', { personId: 7 });
    await show(<Join />, '/join', '/join');
    expect(box.textContent).toContain('You are invited to Kilnfield as volunteer.');
    await press('Come in');
    expect(sent('/api/invitations/accept')).toEqual({ token: 'secret', asMe: false });
    expect(box.textContent).toBe('elsewhere');
  });

  it('wants login and password of who may change much', async () => {
    window.location.hash = '#secret';
    answers.set('GET /api/me', NOBODY);
    answers.set('POST /api/invitations/look', { ...look, role: 'leader', wantsPassword: true });
    answers.set('POST /api/invitations/accept', { personId: 7 });
    await show(<Join />, '/join', '/join');
    await type('Your login; a mail address is a good one', 'pip@example.org');
    await type('A password', 'medlar medlar');
    await press('Come in');
    expect(sent('/api/invitations/accept')).toEqual({
      token: 'secret',
      asMe: false,
      login: 'pip@example.org',
      password: 'medlar medlar',
    });
  });

  it('lets somebody who is signed in join as who they are', async () => {
    window.location.hash = '#secret';
    answers.set('POST /api/invitations/look', look);
    answers.set('POST /api/invitations/accept', { personId: 1 });
    await show(<Join />, '/join', '/join');
    await press('Join as Wren Ashdown, who is signed in here');
    expect(sent('/api/invitations/accept')).toEqual({ token: 'secret', asMe: true });
  });

  it('begins with the first coordinator', async () => {
    window.location.hash = '#secret';
    setCurrentPersonId(undefined);
    answers.set('GET /api/me', { ...NOBODY, begun: false });
    answers.set('POST /api/invitations/look', { kind: 'first', wantsPassword: true });
    answers.set('POST /api/first-coordinator', { personId: 1 });
    await show(<Join />, '/join', '/join');
    await type('Your name', 'Mere Tolhurst');
    await type('Your login; a mail address is a good one', 'mere@example.org');
    await type('A password', 'brickworks of 1931');
    await press('Begin');
    expect(sent('/api/first-coordinator')).toEqual({
      token: 'secret',
      name: 'Mere Tolhurst',
      login: 'mere@example.org',
      password: 'brickworks of 1931',
    });
  });
});
