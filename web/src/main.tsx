import '@fontsource-variable/bitter';
import '@fontsource-variable/source-sans-3';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { Problem } from './api/client';
import { router } from './App';
import './theme.scss';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 10_000,
      // What was refused will be refused again.
      retry: (count, error) => !(error instanceof Problem && error.status >= 400) && count < 2,
    },
  },
});

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <QueryClientProvider client={queries}>
      <RouterProvider router={router} />
    </QueryClientProvider>
  </StrictMode>,
);
