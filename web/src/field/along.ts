/** Answers that pages ask for without signal lie in the cache of this name; the worker looks there when the network fails. */
export const ALONG = 'taken-along';
