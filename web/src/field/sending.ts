import type { FieldProblem } from '../api/client';
import { store, type Waiting, type WaitingPhoto } from './store';

/** How one sending ended: taken, held back until somebody looks at it, or no connection. */
type Outcome = 'taken' | 'held' | 'no connection';

const headers = (person: string | null, type: string): Record<string, string> => ({
  'Content-Type': type,
  ...(person ? { 'X-Bough-Person': person } : {}),
});

async function post(
  url: string,
  body: BodyInit,
  person: string | null,
  type: string,
): Promise<Response | null> {
  try {
    return await fetch(url, { method: 'POST', body, headers: headers(person, type) });
  } catch {
    return null;
  }
}

export async function sendSurvey(waiting: Waiting): Promise<Outcome> {
  const answer = await post(
    '/api/trees/' + waiting.treeId + '/surveys?sentAs=' + waiting.key + '&basedOn=' + waiting.basedOn,
    JSON.stringify(waiting.survey),
    waiting.person,
    'application/json',
  );
  if (!answer || answer.status >= 500) return 'no connection';
  if (answer.ok) {
    await store.dropSurvey(waiting.key);
    return 'taken';
  }
  const problem = (await answer.json().catch(() => ({}))) as { detail?: string; errors?: FieldProblem[] };
  await store.keepSurvey({
    ...waiting,
    held: {
      status: answer.status,
      detail: problem.detail ?? 'It was refused.',
      errors: problem.errors ?? [],
    },
  });
  return 'held';
}

export async function sendPhoto(photo: WaitingPhoto): Promise<Outcome> {
  const query = new URLSearchParams({ key: photo.key, takenOn: photo.takenOn, spot: photo.spot });
  const answer = await post(
    '/api/trees/' + photo.treeId + '/photos?' + query.toString(),
    photo.picture,
    photo.person,
    'image/jpeg',
  );
  if (!answer || answer.status >= 500) return 'no connection';
  // A picture the server cannot use will not get better by being sent again.
  await store.dropPhoto(photo.key);
  return answer.ok ? 'taken' : 'held';
}

let running: Promise<boolean> | undefined;

/** Sends what waits, oldest first, until something finds no connection. Resolves to whether anything was taken. */
export function sendAll(): Promise<boolean> {
  running ??= (async () => {
    let taken = false;
    for (const survey of await store.surveys()) {
      if (survey.held) continue;
      const outcome = await sendSurvey(survey);
      if (outcome === 'no connection') return taken;
      taken ||= outcome === 'taken';
    }
    for (const photo of await store.photos()) {
      const outcome = await sendPhoto(photo);
      if (outcome === 'no connection') return taken;
      taken ||= outcome === 'taken';
    }
    return taken;
  })().finally(() => (running = undefined));
  return running;
}
