import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { http, HttpResponse } from 'msw';
import { MemoryRouter, Route, Routes } from 'react-router';
import type { paths } from '../api/schema';
import { store } from '../field/store';
import { server } from './setup';

type Method = 'get' | 'post' | 'put' | 'delete';
type Operations = {
  [Path in keyof paths]: {
    [M in Method]: paths[Path][M] extends object ? `${Uppercase<M>} ${Path & string}` : never;
  }[Method];
}[keyof paths];

/** A call the published document has, as "GET /api/sites/{siteId}". */
export type Call = Operations;

/** What was asked of the server, the newest last; parameters of the path that are numbers are numbers. */
export const asked: {
  method: string;
  path: string;
  params: Record<string, string | number>;
  /** What stands behind the question mark. */
  query: Record<string, string>;
  body: unknown;
}[] = [];

/** What a server would answer, by call of the published document; a number is a refusal with that status. */
export const answers = new Map<Call, unknown>();

/** Every site a test speaks of. */
export const EVERYWHERE = [...Array(60).keys()];

/** Whoever is signed in while nothing else is laid ready: the coordinator of every site a test speaks of. */
const COORDINATOR = {
  signedIn: {
    personId: 1,
    name: 'Wren Ashdown',
    login: 'wren',
    mayAddSites: true,
    places: EVERYWHERE.map((siteId) => ({
      siteId,
      siteName: 'Site ' + siteId,
      role: 'coordinator',
      maySurvey: true,
    })),
  },
  token: 'shown',
  demo: [],
  begun: true,
};

/** A refusal of one field; its status is 422 unless another is laid over it. */
export const refusal = (pointer: string, detail: string) => ({
  refused: true,
  status: 422,
  detail: 'One field cannot be used.',
  errors: [{ pointer, detail }],
});

const numbers = (params: Record<string, unknown>) =>
  Object.fromEntries(
    Object.entries(params).map(([name, text]) => {
      const value = String(text);
      return [name, /^\d+$/.test(value) ? Number(value) : value];
    }),
  );

const segments = (path: string) => path.split('/');

/** The call laid ready that an address is one of, with what stands in its braces. */
function laidReady(method: string, address: string) {
  for (const call of answers.keys()) {
    const [itsMethod, path] = call.split(' ') as [string, string];
    const wanted = segments(path);
    const sent = segments(address);
    const params: Record<string, string> = {};
    const fits =
      itsMethod === method &&
      wanted.length === sent.length &&
      wanted.every((part, i) => {
        if (!part.startsWith('{')) return part === sent[i];
        params[part.slice(1, -1)] = decodeURIComponent(sent[i]!);
        return true;
      });
    if (fits) return { call, path, params: numbers(params) };
  }
  return undefined;
}

let underWay = 0;

async function answer(request: Request) {
  const { pathname: address, searchParams } = new URL(request.url);
  if (address === '/api/me' && !answers.has('GET /api/me')) return HttpResponse.json(COORDINATOR);
  const ready = laidReady(request.method, address);
  const json = request.headers.get('content-type')?.includes('json');
  const text = await request.text();
  asked.push({
    method: request.method,
    path: ready?.path ?? address,
    params: ready?.params ?? {},
    query: Object.fromEntries(searchParams),
    body: text === '' ? undefined : json ? (JSON.parse(text) as unknown) : text,
  });
  if (!ready) return HttpResponse.error();
  const said = answers.get(ready.call);
  if (typeof said === 'number')
    return HttpResponse.json({ detail: 'refused with ' + said }, { status: said });
  const { refused, status } = said as { refused?: boolean; status?: number };
  return HttpResponse.json(said as object, { status: refused ? status : 200 });
}

/** Where a test lays nothing ready, the phone has no connection. */
server.use(
  http.all('*', async ({ request }) => {
    underWay++;
    try {
      return await answer(request);
    } finally {
      underWay--;
    }
  }),
);

export let box: HTMLElement;

/** Shows a part at an address, with a cache of its own. */
export async function show(part: React.ReactNode, route = '/', address = '/') {
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  box = render(
    <QueryClientProvider client={queries}>
      <MemoryRouter initialEntries={[address]}>
        <Routes>
          <Route path={route} element={part} />
          <Route path="*" element={<p>elsewhere</p>} />
        </Routes>
      </MemoryRouter>
    </QueryClientProvider>,
  ).container;

  await settle();
}

/** Lets answers come in, and the answers to what they lead to. */
export async function settle() {
  for (let quiet = 0; quiet < 6; quiet = underWay === 0 ? quiet + 1 : 0)
    await act(async () => new Promise((done) => setTimeout(done, 5)));
}

export async function takeDown() {
  await settle();
  cleanup();
  for (const item of await store.outbox.all()) await store.outbox.drop(item.key);
  for (const entry of await store.entries()) await store.dropEntry(entry.id);
  for (const draft of await store.drafts()) await store.dropDraft(draft.treeId, draft.person);
  asked.length = 0;
  answers.clear();
  localStorage.clear();
}

/** A button by its name, or by the words on it. */
export const button = (name: string) =>
  screen.queryAllByRole<HTMLButtonElement>('button', { name })[0] ??
  screen.getByText<HTMLButtonElement>(name, { selector: 'button' });

export async function press(name: string) {
  fireEvent.click(button(name));
  await settle();
}

/** Types into the field with this label or id, or chooses of it. */
export async function type(name: string, text: string) {
  const field = screen.queryByLabelText(name) ?? box.querySelector('[id="' + name + '"]');
  if (!field) throw new Error('no field ' + name);
  fireEvent.change(field, { target: { value: text } });
  await settle();
}
