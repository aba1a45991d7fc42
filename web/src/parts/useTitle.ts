import { useEffect } from 'react';

/** Names the page in the browser's tab and history. */
export function useTitle(title: string | undefined) {
  useEffect(() => {
    document.title = title ? title + ' – Diligent Bough' : 'Diligent Bough';
  }, [title]);
}
