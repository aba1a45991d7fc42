import { api, unwrap } from '../api/client';
import { useChange } from '../api/useChange';
import { useMutation } from '@tanstack/react-query';

/** A table goes as it is, not as JSON. */
const plain = { bodySerializer: (body: unknown) => body as string, headers: { 'Content-Type': 'text/csv' } };

export const useLookIntoTable = (siteId: number) =>
  useMutation({
    mutationFn: async (text: string) =>
      unwrap(
        await api.POST('/api/sites/{siteId}/trees/table/look', {
          params: { path: { siteId } },
          body: text,
          ...plain,
        }),
      ),
  });

export const useAddTable = (siteId: number) =>
  useChange(async ({ text, fields }: { text: string; fields: string[] }) =>
    unwrap(
      await api.POST('/api/sites/{siteId}/trees/table', {
        params: { path: { siteId }, query: { fields: fields.join(',') } },
        body: text,
        ...plain,
      }),
    ),
  );

export const useAddMap = (siteId: number) =>
  useChange(async (text: string) =>
    unwrap(
      await api.POST('/api/sites/{siteId}/trees/geojson', {
        params: { path: { siteId } },
        body: text as unknown as Record<string, never>,
        bodySerializer: (body: unknown) => body as string,
        headers: { 'Content-Type': 'application/json' },
      }),
    ),
  );
