import { useEffect, useState } from 'react';
import { useSearchParams } from 'react-router';
import type { View } from '../drawing/projection';

const ADDRESS_AFTER_MS = 150;

/** From where, in which way, how many years on, whether the ways stand side by side, and whether leaf is drawn. */
export interface Look {
  view: View;
  way: string;
  year: number;
  beside: boolean;
  /** Left out: as it is today. */
  leaf?: boolean;
}

const lookOf = (params: URLSearchParams): Look => ({
  view: params.get('view') === 'above' ? 'above' : Number(params.get('view') ?? 180),
  way: params.get('way') ?? 'plan',
  year: Math.max(0, Number(params.get('year') ?? 0) || 0),
  beside: params.get('beside') === 'yes',
  leaf: params.has('leaf') ? params.get('leaf') === 'yes' : undefined,
});

/** How the tree is looked at, kept in the address, so that it can be shown to somebody else and Back works. */
export function useLook() {
  const [params, setParams] = useSearchParams();
  const [look, setLook] = useState<Look>(() => lookOf(params));
  const { view, way, year, beside, leaf } = look;
  // Keys come faster than addresses change: the address follows when the hand rests.
  useEffect(() => {
    const rest = window.setTimeout(() => {
      const told: Record<string, string> = {
        view: view === 180 ? '' : String(view),
        way: way === 'plan' ? '' : way,
        year: year ? String(year) : '',
        beside: beside ? 'yes' : '',
        leaf: leaf === undefined ? '' : leaf ? 'yes' : 'no',
      };
      // As it stands now: something else on the page may have changed the address since this was drawn.
      const address = new URLSearchParams(window.location.search);
      if (Object.entries(told).every(([key, value]) => (address.get(key) ?? '') === value)) return;
      for (const [key, value] of Object.entries(told)) {
        if (value) address.set(key, value);
        else address.delete(key);
      }
      setParams(address, { replace: true });
    }, ADDRESS_AFTER_MS);
    return () => window.clearTimeout(rest);
  }, [view, way, year, beside, leaf, setParams]);
  return [look, setLook] as const;
}
