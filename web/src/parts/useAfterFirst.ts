import { useDeferredValue } from 'react';

/**
 * Whether a page has been laid out once: what lies below the first screen, or is only looked at later, comes a moment after.
 * On a slow phone each part that is laid out with the first keeps all others waiting.
 */
export const useAfterFirst = () => useDeferredValue(true, false);

/** Whether a screen shows little of a page at once. */
export const NARROW = window.innerWidth < 600;

/** The same of what lies below a phone's first screen alone. */
export const useBelowFirst = () => useDeferredValue(true, !NARROW);
