import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { sendAll } from './sending';
import { store } from './store';

const TRY_EVERY_MS = 20_000;

/** What waits on this phone to be sent. */
export const useWaiting = () =>
  useQuery({
    queryKey: ['waiting'],
    queryFn: async () => ({
      surveys: await store.surveys(),
      photos: (await store.photos()).length,
      drafts: (await store.drafts()).map((one) => one.treeId),
    }),
    refetchInterval: 5_000,
  });

/** Sends what waits: at the start, when there is signal again, and now and then. */
export function useSending() {
  const queries = useQueryClient();
  useEffect(() => {
    const send = () =>
      void sendAll()
        .then((taken) => (taken ? queries.invalidateQueries() : undefined))
        .catch(() => undefined);
    send();
    window.addEventListener('online', send);
    const timer = window.setInterval(send, TRY_EVERY_MS);
    return () => {
      window.removeEventListener('online', send);
      window.clearInterval(timer);
    };
  }, [queries]);
}
