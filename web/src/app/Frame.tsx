import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { Form } from 'react-bootstrap';
import { PersonPicker } from '../crew/PersonPicker';
import { wantsLook } from '../field/outbox';
import { useSending, useWaiting } from '../field/useWaiting';
import { useSites, useTree } from '../api/orchard';
import { SeasonRibbon } from '../season/SeasonRibbon';
import { Find } from './Find';
import { PhoneBar } from './PhoneBar';
import { WORK } from './places';
import { Undo } from './Undo';
import { Keys } from './Keys';
import { BeingJudged } from '../verdict/BeingJudged';
import { Icon } from '../parts/Icon';

/** The path of the work across the top, the season under it, the place where the work is. */
export function Frame() {
  const { siteId, treeId } = useParams();
  const sites = useSites();
  const navigate = useNavigate();
  // The pages of the season are the ribbon writ large.
  const { pathname } = useLocation();
  const inSeason = pathname.includes('/season');
  const walking = !!treeId && pathname.endsWith('/walk');
  const [over, setOver] = useState<'find' | 'keys'>();
  const before = useRef<Element>(null);
  const close = () => {
    setOver(undefined);
    // Focus goes back to where it was.
    if (before.current instanceof HTMLElement) before.current.focus();
  };
  useEffect(() => {
    const keys = (e: KeyboardEvent) => {
      const typing = (e.target as HTMLElement).closest?.('input, textarea, select, [contenteditable]');
      if (typing || e.ctrlKey || e.metaKey || e.altKey || (e.key !== '/' && e.key !== '?')) return;
      e.preventDefault();
      before.current = document.activeElement;
      setOver(e.key === '/' ? 'find' : 'keys');
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, []);
  useSending();
  const site = sites.data?.find((one) => String(one.id) === siteId);
  const orchard = site && '/sites/' + site.id;
  return (
    <>
      <a className="skip" href="#page">
        To the page
      </a>
      <header className="frame-top">
        <Link className="name" aria-label="Diligent Bough" to={site ? '/sites/' + site.id : '/'}>
          <img src="/mark.svg" alt="" />
          <span>Diligent Bough</span>
        </Link>
        {sites.data && sites.data.length > 0 && (
          <Form.Select
            size="sm"
            aria-label="Site"
            value={site?.id ?? ''}
            onChange={(e) => navigate(e.target.value === 'new' ? '/sites/new' : '/sites/' + e.target.value)}
          >
            {!site && <option value="">Choose a site</option>}
            {sites.data.map((one) => (
              <option key={one.id} value={one.id}>
                {one.data.name}
              </option>
            ))}
            <option value="new">Add a site…</option>
          </Form.Select>
        )}
        {site && (
          <nav className="path" aria-label="The work">
            {WORK.map(([name, at]) => (
              <NavLink
                key={name}
                to={'/sites/' + site.id + at}
                end={at === ''}
                className={({ isActive }) => (isActive || (at === '/walk' && walking) ? 'active' : '')}
              >
                {name}
              </NavLink>
            ))}
          </nav>
        )}
        <div className="end">
          {site && (
            <button
              type="button"
              className="to-find"
              onClick={() => setOver('find')}
              aria-keyshortcuts="/"
              aria-label="Search everything"
            >
              <Icon name="search" /> <span>Search</span>
            </button>
          )}
          <PersonPicker />
        </div>
      </header>
      {site &&
        !inSeason &&
        (treeId ? (
          <TreeSeason siteId={site.id} treeId={Number(treeId)} />
        ) : (
          <SeasonRibbon
            key={pathname === orchard ? 'orchard' : ''}
            siteId={site.id}
            unfolded={pathname === orchard}
          />
        ))}
      {site && over === 'find' && <Find siteId={site.id} close={close} />}
      {over === 'keys' && <Keys close={close} />}
      {site && <Signal siteId={site.id} />}
      {site && <BeingJudged siteId={site.id} />}
      <main id="page" tabIndex={-1}>
        <Outlet />
      </main>
      <Undo />
      {site && <PhoneBar siteId={site.id} walking={walking} />}
    </>
  );
}

/** That there is no signal, and that nothing is lost for that. */
function Signal({ siteId }: { siteId: number }) {
  const on = useOnline();
  const waiting = useWaiting();
  const held = waiting.data?.open.filter(wantsLook).length ?? 0;
  if (on && held === 0) return null;
  return (
    <p className="signal no-print" role="status">
      {!on && (
        <>
          <Icon name="wifi-off" /> No signal: what you enter is kept here and sent by itself.{' '}
        </>
      )}
      {held > 0 && (
        <Link to={'/sites/' + siteId + '/waiting'}>
          {held} {held === 1 ? 'thing was' : 'things were'} not taken: look at {held === 1 ? 'it' : 'them'}
        </Link>
      )}
    </p>
  );
}

/** Whether the phone says that it has signal. */
function useOnline(): boolean {
  return useSyncExternalStore(
    (changed) => {
      window.addEventListener('online', changed);
      window.addEventListener('offline', changed);
      return () => {
        window.removeEventListener('online', changed);
        window.removeEventListener('offline', changed);
      };
    },
    () => navigator.onLine,
  );
}

/** At a tree only the season of its kind. */
function TreeSeason({ siteId, treeId }: { siteId: number; treeId: number }) {
  const tree = useTree(treeId);
  return tree.data ? <SeasonRibbon siteId={siteId} species={tree.data.data.species} /> : null;
}
