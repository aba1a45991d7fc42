import { useEffect, useRef, useState } from 'react';
import { type NavigateOptions, useLocation, useNavigate, useSearchParams } from 'react-router';
import type { At, Draft } from '../field/kept';

const CLOSED = 'limb closed';

/**
 * Where in the walk one is, kept in the address: the phone's Back goes one step back in the walk, a reload stays where it
 * was. A draft taken up again opens where it was left, with the steps before it behind it.
 */
export function useWalkPlace(steps: number, draft: Draft | undefined, place: (at: At) => void) {
  const [params, setParams] = useSearchParams();
  // Where a limb was closed its place in the history is taken by the list: the next limb takes that place again.
  const onClosed = useLocation().state === CLOSED;
  const navigate = useNavigate();
  const asked = params.get('step');
  const address = params.toString();
  // The address follows a moment later; what was pressed shows at once, until the address has come to it. On a slow phone
  // the address passes through where one was meanwhile.
  const [ahead, setAhead] = useState<{ address: string; to: At }>();
  if (ahead?.address === address) setAhead(undefined);
  useEffect(() => {
    const back = () => setAhead(undefined);
    window.addEventListener('popstate', back);
    return () => window.removeEventListener('popstate', back);
  }, []);
  const { step, limb }: At = ahead?.to ?? {
    step: Math.min(steps - 1, Math.max(0, Number(asked) || 0)),
    limb: params.get('limb') ?? undefined,
  };

  const at = (to: At) => {
    const next = new URLSearchParams(params);
    next.set('step', String(to.step));
    if (to.limb) next.set('limb', to.limb);
    else next.delete('limb');
    return next;
  };
  const taken = useRef(false);
  const was = draft?.['x-at'];
  useEffect(() => {
    if (!draft || taken.current) return;
    taken.current = true;
    if (asked !== null || !was) return;
    // What lies behind is laid down first, so that Back leads through it.
    void navigate('?' + at({ step: 0 }).toString(), { replace: true });
    for (let i = 1; i <= Math.min(was.step, steps - 1); i++) void navigate('?' + at({ step: i }).toString());
    if (was.limb && draft['x-open']?.[was.limb]) void navigate('?' + at(was).toString());
  });
  useEffect(() => {
    if (asked !== null) place({ step, limb });
  }, [asked, step, limb, place]);

  const go = (to: At, options: NavigateOptions = {}) => {
    setAhead({ address: at(to).toString(), to });
    setParams(at(to), options);
  };
  return {
    step,
    limb,
    goTo: (to: number) => go({ step: to }),
    /** Opens a limb from the list, or from wherever it was named; the phone's Back leads back there. */
    openAt: (id: string) => go({ step, limb: id }, { replace: onClosed }),
    /** Leaves a limb for its list, or for the next limb. */
    closeLimb: (next?: string) => go({ step, limb: next }, { replace: true, state: next ? null : CLOSED }),
  };
}
