import '@fontsource-variable/bitter';
import '@fontsource-variable/source-sans-3';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { currentPersonId, passing, Problem, setCurrentPersonId } from './api/client';
import { store } from './field/store';
import { App, routed } from './app/App';
import { firstAnswers } from './app/first';
import { showIn, unitsOf } from './parts/measure';
import './theme.scss';

const AGAIN_MS = 4_000;
const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // Without signal the phone answers with what it took along.
      networkMode: 'always',
      // What was refused will be refused again; without signal asking twice only takes time.
      retry: (count, error) => !(error instanceof Problem) && count < 2,
      // What failed for want of signal, or of the server, comes by itself once there is some.
      refetchOnReconnect: true,
      refetchInterval: (query) => (passing(query.state.error) ? AGAIN_MS : false),
    },
    mutations: { networkMode: 'always' },
  },
});

const show = () =>
  createRoot(document.getElementById('root')!).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <App />
      </QueryClientProvider>
    </StrictMode>,
  );

const answered = firstAnswers(queries, routed());
const begin = () => {
  showIn(unitsOf(currentPersonId()));
  void answered.finally(show);
};

// Who is at work is known before anything is shown, also after the battery was out.
if (currentPersonId()) begin();
else
  void store
    .person()
    .then((person) => person && setCurrentPersonId(Number(person)))
    .catch(() => undefined)
    .finally(begin);

/** The worker keeps a copy of everything: it begins once the page that was come to stands, not beside it. */
const WORKER_AFTER_MS = 2_000;
if (import.meta.env.PROD)
  window.addEventListener('load', () =>
    window.setTimeout(
      () => void navigator.serviceWorker?.register('/worker.js').catch(() => undefined),
      WORKER_AFTER_MS,
    ),
  );
