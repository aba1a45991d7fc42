import { beforeEach, describe, expect, it, vi } from 'vitest';
import { sendAll, sendPhoto, sendSurvey } from './sending';
import type { Waiting, WaitingPhoto } from './store';

const surveys = new Map<string, Waiting>();
const photos = new Map<string, WaitingPhoto>();
vi.mock('./store', () => ({
  store: {
    surveys: () => Promise.resolve([...surveys.values()]),
    keepSurvey: (one: Waiting) => Promise.resolve(void surveys.set(one.key, one)),
    dropSurvey: (key: string) => Promise.resolve(void surveys.delete(key)),
    photos: () => Promise.resolve([...photos.values()]),
    dropPhoto: (key: string) => Promise.resolve(void photos.delete(key)),
  },
}));

const sent: { url: string; person?: string }[] = [];
const server = (...answers: (number | object | 'none')[]) =>
  vi.stubGlobal('fetch', (url: string, init: { headers: Record<string, string> }) => {
    const answer = answers.length > 1 ? answers.shift()! : answers[0]!;
    if (answer === 'none') return Promise.reject(new TypeError('no network'));
    sent.push({ url, person: init.headers['X-Bough-Person'] });
    const status = typeof answer === 'number' ? answer : 422;
    const body = typeof answer === 'number' ? '{}' : JSON.stringify(answer);
    return Promise.resolve(new Response(body, { status }));
  });

const waiting = (key: string): Waiting => ({
  key,
  treeId: 7,
  siteId: 1,
  tag: 'F-1',
  person: '3',
  survey: { surveyedOn: '2027-02-20', tree: {}, limbs: [], surroundings: [] },
  basedOn: 12,
});

beforeEach(() => {
  surveys.clear();
  photos.clear();
  sent.length = 0;
});

describe('sending what waits on the phone', () => {
  it('sends a survey under its key, based on what was known, in the name of who walked', async () => {
    server(201);
    surveys.set('k', waiting('k'));
    expect(await sendSurvey(waiting('k'))).toBe('taken');
    expect(sent).toEqual([{ url: '/api/trees/7/surveys?sentAs=k&basedOn=12', person: '3' }]);
    expect(surveys.size).toBe(0);
  });

  it('keeps it without signal and when the server stumbles', async () => {
    surveys.set('k', waiting('k'));
    server('none');
    expect(await sendSurvey(waiting('k'))).toBe('no connection');
    server(503);
    expect(await sendSurvey(waiting('k'))).toBe('no connection');
    expect(surveys.get('k')!.held).toBeUndefined();
  });

  it('holds back what was refused, with why', async () => {
    server({
      detail: 'One field cannot be used.',
      errors: [{ pointer: '/tree/heightM', detail: 'is missing' }],
    });
    expect(await sendSurvey(waiting('k'))).toBe('held');
    expect(surveys.get('k')!.held).toEqual({
      status: 422,
      detail: 'One field cannot be used.',
      errors: [{ pointer: '/tree/heightM', detail: 'is missing' }],
    });
  });

  it('passes over what is held and stops where the signal stops', async () => {
    surveys.set('a', { ...waiting('a'), held: { status: 409, detail: '', errors: [] } });
    surveys.set('b', waiting('b'));
    surveys.set('c', waiting('c'));
    server(201, 'none');
    expect(await sendAll()).toBe(true);
    expect([...surveys.keys()]).toEqual(['a', 'c']);
    expect(sent).toHaveLength(1);
  });

  it('sends at one time only once', async () => {
    server(201);
    surveys.set('a', waiting('a'));
    await Promise.all([sendAll(), sendAll()]);
    expect(sent).toHaveLength(1);
  });

  it('lets go of a picture that cannot be used, and keeps one without signal', async () => {
    const photo = {
      key: 'p',
      treeId: 7,
      person: null,
      takenOn: '2027-02-20',
      spot: 'from the south',
      picture: new Blob(),
    };
    photos.set('p', photo);
    server('none');
    expect(await sendPhoto(photo)).toBe('no connection');
    expect(photos.size).toBe(1);
    server(400);
    expect(await sendPhoto(photo)).toBe('held');
    expect(photos.size).toBe(0);
    expect(sent[0]!.url).toBe('/api/trees/7/photos?key=p&takenOn=2027-02-20&spot=from+the+south');
  });
});
