import 'fake-indexeddb/auto';
import { setupServer } from 'msw/node';

/**
 * A browser reads addresses against the page it shows, Node against nothing: what the product asks of "/api" is asked of
 * the page's host here too.
 */
const NodeRequest = globalThis.Request;
globalThis.Request = class extends NodeRequest {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, globalThis.location?.origin) : input, init);
  }
};

/** Listens before the product's client takes hold of fetch; what it answers is said by the harness. */
export const server = setupServer();
server.listen({ onUnhandledRequest: 'error' });

// As if a page of the server had been opened before.
if (typeof document !== 'undefined') document.cookie = 'bough-token=shown';
