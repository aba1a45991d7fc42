import type { Crop } from '../api/client';
import { counted, kilos, percent } from '../parts/format';

/** What a crop was reckoned to before it was picked, and how far off that was. */
export function reckonedSays(one: Crop['reckoned'][number]): string {
  const fruits = counted(one.counted, 'fruit') + ' counted';
  if (one.kilos == null) return fruits + ', and no weight of a fruit known to reckon by.';
  const reckoned = `${fruits}, ${kilos(one.kilos)} reckoned`;
  if (one.picked == null) return reckoned + ', nothing picked yet.';
  const off = one.kilos > 0 ? one.picked / one.kilos - 1 : 0;
  const how = Math.abs(off) < 0.005 ? 'as reckoned' : percent(Math.abs(off)) + (off > 0 ? ' more' : ' less');
  return `${reckoned}, ${kilos(one.picked)} picked: ${how}.`;
}
