import { useEffect, useLayoutEffect, useRef } from 'react';

/** Less than this the hand trembles. */
const LEAST_DEG = 3;

interface Heading {
  /** What Apple's phones say: degrees from north, clockwise. */
  webkitCompassHeading?: number;
  alpha: number | null;
  absolute: boolean;
}

/** Whereto a phone is pointed, degrees from north clockwise; undefined where it does not know north. */
export function headingOf(e: Heading): number | undefined {
  if (e.webkitCompassHeading !== undefined) return e.webkitCompassHeading;
  return e.absolute && e.alpha !== null ? (360 - e.alpha) % 360 : undefined;
}

/** Whether this is a device one walks about with and that may know north. */
export const hasCompass = () =>
  'DeviceOrientationEvent' in window && (window.matchMedia?.('(pointer: coarse)').matches ?? false);

/** Asks whoever holds it, where the device wants that asked. */
export async function mayUseCompass(): Promise<boolean> {
  const asks = DeviceOrientationEvent as unknown as { requestPermission?: () => Promise<string> };
  return !asks.requestPermission || (await asks.requestPermission().catch(() => 'denied')) === 'granted';
}

/** Tells whereto the phone points while it is followed. */
export function useHeading(followed: boolean, told: (heading: number) => void) {
  const tell = useRef(told);
  useLayoutEffect(() => {
    tell.current = told;
  });
  useEffect(() => {
    if (!followed) return;
    let last: number | undefined;
    const hear = (e: Event) => {
      const heading = headingOf(e as unknown as Heading);
      if (heading === undefined) return;
      const turned = last === undefined ? 360 : Math.abs(((heading - last + 540) % 360) - 180);
      if (turned < LEAST_DEG) return;
      last = heading;
      tell.current(heading);
    };
    const events = ['deviceorientationabsolute', 'deviceorientation'];
    for (const name of events) window.addEventListener(name, hear);
    return () => {
      for (const name of events) window.removeEventListener(name, hear);
    };
  }, [followed]);
}
