import { type QueryClient, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { currentPersonId } from '../api/client';
import { open } from './outbox';
import { channel, outbox, sendAll } from './phone';
import { store } from './store';

const SOONEST_MS = 5_000;
const LATEST_MS = 120_000;
/** With less room than this left on the phone it is said before something cannot be kept. */
const LITTLE_ROOM_BYTES = 60e6;

/** What somebody entered is theirs to see; what was entered before anybody signed in is everybody's. */
const mine = (one: { person: string | null }) => one.person === null || one.person === currentPersonId();

/** What of whoever is signed in is on this phone: on its way to the server, or being entered; of others only how much. */
export const useWaiting = () =>
  useQuery({
    queryKey: ['waiting'],
    queryFn: async () => {
      const items = await outbox.list();
      const waits = items.filter(open);
      return {
        open: waits.filter(mine),
        ofOthers: waits.filter((item) => !mine(item)).length,
        sent: items.filter((item) => !open(item) && mine(item)).reverse(),
        drafts: (await store.drafts()).filter(mine),
        entries: await store.entries(),
        room: await room(),
      };
    },
    refetchInterval: 5_000,
  });

/** How much room the phone says it has left for this, and whether that is little. */
async function room(): Promise<{ leftBytes: number; little: boolean } | undefined> {
  const said = await navigator.storage?.estimate?.().catch(() => undefined);
  if (said?.quota === undefined) return undefined;
  const leftBytes = said.quota - (said.usage ?? 0);
  return { leftBytes, little: leftBytes < LITTLE_ROOM_BYTES };
}

/** Asks for everything anew; what is being asked for the first time is asked again, lest an older answer stays. */
async function askAnew(queries: QueryClient) {
  await queries.cancelQueries({ predicate: (one) => one.state.data === undefined });
  await queries.invalidateQueries();
}

/** Sends what waits: at the start, when signal comes back, when the phone is looked at again, and at growing intervals. */
export function useSending() {
  const queries = useQueryClient();
  useEffect(() => {
    let timer: number | undefined;
    let pause = SOONEST_MS;
    let gone = false;
    const go = async () => {
      window.clearTimeout(timer);
      const round = await sendAll().catch(() => undefined);
      if (gone) return;
      if (round?.taken) void askAnew(queries);
      else void queries.invalidateQueries({ queryKey: ['waiting'] });
      if (round && round.againInMs === undefined) return;
      window.clearTimeout(timer);
      timer = window.setTimeout(() => void go(), Math.max(pause, Math.min(round?.againInMs ?? 0, LATEST_MS)));
      pause = Math.min(pause * 2, LATEST_MS);
    };
    const anew = () => {
      pause = SOONEST_MS;
      void go();
    };
    const looked = () => document.visibilityState === 'visible' && anew();
    const heard = (message: MessageEvent) => {
      if (message.data === 'taken') void askAnew(queries);
      else anew();
    };
    anew();
    window.addEventListener('online', anew);
    window.addEventListener('focus', looked);
    document.addEventListener('visibilitychange', looked);
    channel?.addEventListener('message', heard);
    return () => {
      gone = true;
      window.clearTimeout(timer);
      window.removeEventListener('online', anew);
      window.removeEventListener('focus', looked);
      document.removeEventListener('visibilitychange', looked);
      channel?.removeEventListener('message', heard);
    };
  }, [queries]);
}
