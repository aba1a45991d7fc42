import { useDeferredValue } from 'react';

/**
 * Whether a page has been laid out once: what lies below the first screen, or is only looked at later, comes a moment after.
 * On a slow phone each part that is laid out with the first keeps all others waiting.
 */
export const useAfterFirst = () => useDeferredValue(true, false);
