import 'fake-indexeddb/auto';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act } from 'react';
import { createRoot, type Root } from 'react-dom/client';
import { store } from '../field/store';
import { MemoryRouter, Route, Routes } from 'react-router';

/** What was asked of the server, the newest last. */
export const asked: { method: string; path: string; params: unknown; body: unknown }[] = [];

/** What a server would answer, by method and path; a number is a refusal with that status. */
export const answers = new Map<string, unknown>();

interface Init {
  params?: { path?: unknown };
  body?: unknown;
}
const method = (name: string) => (path: string, init?: Init) => {
  asked.push({ method: name, path, params: init?.params?.path, body: init?.body });
  const answer = answers.get(name + ' ' + path);
  if (answer === undefined) throw new Error('nothing was laid ready for ' + name + ' ' + path);
  return Promise.resolve(
    typeof answer === 'number'
      ? { error: { detail: 'refused with ' + answer }, response: { ok: false, status: answer } }
      : { data: answer, response: { ok: true, status: 200 } },
  );
};

/** Stands in for the client of the web API. */
export const fakeApi = {
  GET: method('GET'),
  POST: method('POST'),
  PUT: method('PUT'),
  DELETE: method('DELETE'),
};

/** A refusal of one field; its status is 422 unless another is laid over it. */
export const refusal = (pointer: string, detail: string) => ({
  refused: true,
  status: 422,
  detail: 'One field cannot be used.',
  errors: [{ pointer, detail }],
});

/** What the phone sends by itself goes past the client: asked and answered by its address. */
globalThis.fetch = ((path: string, init?: RequestInit) => {
  const name = init?.method ?? 'GET';
  const body = typeof init?.body === 'string' ? (JSON.parse(init.body) as unknown) : init?.body;
  asked.push({ method: name, path, params: undefined, body });
  const answer = answers.get(name + ' ' + path);
  if (answer === undefined) return Promise.reject(new TypeError('no connection to ' + name + ' ' + path));
  if (typeof answer === 'number')
    return Promise.resolve(
      new Response(JSON.stringify({ detail: 'refused with ' + answer }), { status: answer }),
    );
  const { refused, status } = answer as { refused?: boolean; status?: number };
  return Promise.resolve(new Response(JSON.stringify(answer), { status: refused ? status : 200 }));
}) as typeof fetch;

let root: Root;
export let box: HTMLElement;

/** Shows a part at an address, with a cache of its own. */
export async function show(part: React.ReactNode, route = '/', address = '/') {
  (globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean }).IS_REACT_ACT_ENVIRONMENT = true;
  box = document.body.appendChild(document.createElement('div'));
  root = createRoot(box);
  const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  act(() =>
    root.render(
      <QueryClientProvider client={queries}>
        <MemoryRouter initialEntries={[address]}>
          <Routes>
            <Route path={route} element={part} />
            <Route path="*" element={<p>elsewhere</p>} />
          </Routes>
        </MemoryRouter>
      </QueryClientProvider>,
    ),
  );
  await settle();
}

/** Lets answers come in, and the answers to what they lead to. */
export async function settle() {
  for (let round = 0; round < 6; round++) await act(async () => new Promise((done) => setTimeout(done, 5)));
}

export async function takeDown() {
  act(() => root.unmount());
  for (const item of await store.outbox.all()) await store.outbox.drop(item.key);
  for (const entry of await store.entries()) await store.dropEntry(entry.id);
  for (const draft of await store.drafts()) await store.dropDraft(draft.treeId);
  box.remove();
  asked.length = 0;
  answers.clear();
  localStorage.clear();
}

/** A button by the words on it or its label. */
export function button(name: string): HTMLButtonElement {
  const found = [...box.querySelectorAll('button')].find(
    (one) => one.textContent?.trim() === name || one.getAttribute('aria-label') === name,
  );
  if (!found) throw new Error('no button ' + name + ' among: ' + box.textContent);
  return found;
}

export async function press(name: string) {
  act(() => button(name).click());
  await settle();
}

/** Types into the field with this label or id. */
export async function type(name: string, text: string) {
  const field = box.querySelector<HTMLInputElement>(`[aria-label="${name}"], [id="${name}"]`)!;
  act(() => {
    const proto = field instanceof HTMLSelectElement ? HTMLSelectElement : HTMLInputElement;
    Object.getOwnPropertyDescriptor(proto.prototype, 'value')!.set!.call(field, text);
    field.dispatchEvent(
      new Event(field instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }),
    );
  });
  await settle();
}
