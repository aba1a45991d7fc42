import type { QueryClient } from '@tanstack/react-query';
import { meQuery } from '../api/me';
import { ALL_TREES, siteQuery, sitesQuery, treeQuery, treesQuery } from '../api/orchard';
import { seasonQuery } from '../season/queries';
import { boardQuery } from '../today/queries';

/** A page that waits longer for its answers shows what it has. */
const AT_MOST_MS = 400;

type Take = (queries: QueryClient, id: number) => Promise<unknown>;

/** What public/early.js asks for, and who wants it; the rest is taken by the page itself. */
const TAKEN: [RegExp, Take][] = [
  [/^\/api\/me$/, (queries) => queries.prefetchQuery(meQuery)],
  [/^\/api\/sites$/, (queries) => queries.prefetchQuery(sitesQuery)],
  [/^\/api\/sites\/(\d+)$/, (queries, id) => queries.prefetchQuery(siteQuery(id))],
  [/^\/api\/sites\/(\d+)\/season$/, (queries, id) => queries.prefetchQuery(seasonQuery(id))],
  [/^\/api\/sites\/(\d+)\/today$/, (queries, id) => queries.prefetchQuery(boardQuery(id))],
  [/^\/api\/sites\/(\d+)\/trees/, (queries, id) => queries.prefetchInfiniteQuery(treesQuery(id, ALL_TREES))],
  [/^\/api\/trees\/(\d+)$/, (queries, id) => queries.prefetchQuery(treeQuery(id))],
];

/**
 * Waits for what was asked for early and for the view that was come to, so that the first page is laid out once and whole: a
 * slow phone takes as long for each part that comes after.
 */
export async function firstAnswers(queries: QueryClient, routed: Promise<void>): Promise<void> {
  const taken = Object.keys(globalThis.asked ?? {}).flatMap((path) =>
    TAKEN.flatMap(([pattern, take]) => {
      const found = pattern.exec(path);
      return found ? [take(queries, Number(found[1]))] : [];
    }),
  );
  const enough = new Promise((done) => setTimeout(done, AT_MOST_MS));
  await Promise.race([Promise.allSettled([...taken, routed]), enough]);
}
