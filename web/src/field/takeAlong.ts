import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useState } from 'react';
import type { Day, DaySummary, FieldPack, Sheet, Site } from '../api/client';
import { ALONG } from './along';
import { store, type Taken } from './store';

const MOST_DAYS = 6;
const FRESH_MS = 10 * 60_000;

/** The days whose sheets are wanted outdoors: those not all logged yet and those to come, the nearest first. */
export function wantedDays(days: DaySummary[], today: string): DaySummary[] {
  const apart = (day: DaySummary) => Math.abs(Date.parse(day.on) - Date.parse(today));
  return days
    .filter((day) => day.state !== 'rained-off' && day.state !== 'called-off')
    .filter((day) => day.on >= today || day.logged < day.trees)
    .sort((one, other) => apart(one) - apart(other))
    .slice(0, MOST_DAYS)
    .sort((one, other) => one.on.localeCompare(other.on));
}

/** What the server keeps from whoever is signed in. */
class NotMine extends Error {}

async function lay(cache: Cache | undefined, address: string, answer: unknown) {
  await cache?.put(
    address,
    new Response(JSON.stringify(answer), { headers: { 'Content-Type': 'application/json' } }),
  );
}

async function fetched<T>(cache: Cache | undefined, address: string): Promise<T> {
  const answer = await fetch(address);
  if (answer.status === 403) throw new NotMine();
  if (!answer.ok) throw new Error(address + ' ' + answer.status);
  const content = (await answer.json()) as T;
  await lay(cache, address, content);
  return content;
}

/**
 * Takes a site along: its trees with what each walk starts from, its people, the days to come with their sheets. What
 * cannot be had is named, what can be had is taken all the same.
 */
export async function takeAlong(siteId: number): Promise<Taken> {
  const cache = typeof caches === 'undefined' ? undefined : await caches.open(ALONG);
  const missing: string[] = [];
  const at = '/api/sites/' + siteId;
  const pack = await fetched<FieldPack>(cache, at + '/field');
  const part = async <T>(address: string, name: string) => {
    try {
      return await fetched<T>(cache, address);
    } catch (wrong) {
      // The days one is not on are not one's to take along.
      if (!(wrong instanceof NotMine)) missing.push(name);
      return undefined;
    }
  };
  await part('/api/me', 'who is signed in');
  await part<Site[]>('/api/sites', 'the sites');
  await part<Site>(at, 'the site');
  await part('/api/people', 'the people');
  await part(at + '/looks', 'the wounds to look at');
  const days = (await part<DaySummary[]>(at + '/days', 'the days')) ?? [];
  const taken: Taken['days'] = [];
  for (const day of wantedDays(days, pack.today)) {
    const name = 'the sheets of ' + day.on;
    const sheet = await part<Sheet>('/api/days/' + day.id + '/sheet', name);
    if (!sheet) continue;
    await part<Day>('/api/days/' + day.id, name);
    for (const of of ['notes', 'crews', 'first-list', 'attendance'])
      await part('/api/days/' + day.id + '/' + of, of + ' of ' + day.on);
    for (const tree of sheet.trees) await lay(cache, '/api/visits/' + tree.visitId + '/sheet', tree);
    taken.push({ id: day.id, on: day.on });
  }
  if (!cache || !(await navigator.serviceWorker?.getRegistration()))
    missing.push(
      'the application itself: without a secure address (https) it cannot be opened without signal',
    );
  const kept: Taken = {
    siteId,
    name: pack.name,
    at: new Date().toISOString(),
    trees: pack.trees.length,
    days: taken,
    missing,
  };
  await store.keepTaken(kept);
  return kept;
}

/** What is taken along of a site; taken anew by itself when it has grown old and there is signal. */
export function useTakenAlong(siteId: number, byItself = true) {
  const queries = useQueryClient();
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState(false);
  const taken = useQuery({
    queryKey: ['taken', siteId],
    queryFn: async () => (await store.taken(siteId)) ?? null,
    staleTime: Infinity,
  });
  const take = useCallback(async () => {
    setRunning(true);
    try {
      // The worker has to stand ready first: what the application needs is with it.
      await Promise.race([navigator.serviceWorker?.ready, new Promise((done) => setTimeout(done, 10_000))]);
      queries.setQueryData(['taken', siteId], await takeAlong(siteId));
      setFailed(false);
    } catch {
      setFailed(true);
    } finally {
      setRunning(false);
    }
  }, [queries, siteId]);
  const known = taken.isSuccess;
  const takenAt = taken.data?.at;
  useEffect(() => {
    if (!byItself || !known) return;
    const old = () => !takenAt || Date.now() - Date.parse(takenAt) > FRESH_MS;
    const look = () => void (old() && navigator.onLine && take());
    const first = window.setTimeout(look, 0);
    window.addEventListener('online', look);
    return () => {
      window.clearTimeout(first);
      window.removeEventListener('online', look);
    };
  }, [byItself, known, takenAt, take]);
  return { taken: taken.data ?? undefined, running, failed, take };
}
