import { useQueryClient } from '@tanstack/react-query';
import { Suspense, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { Link, NavLink, Outlet, useLocation, useNavigate, useParams } from 'react-router';
import { Form } from 'react-bootstrap';
import { wantsLook } from '../field/outbox';
import { store } from '../field/store';
import { useSending, useWaiting } from '../field/useWaiting';
import { currentPersonId, setCurrentPersonId, signedOut } from '../api/client';
import { useMe, useRole } from '../api/me';
import { useSites, useTree } from '../api/orchard';
import { SeasonRibbon } from '../season/SeasonRibbon';
import { Account } from './Account';
import { Find } from './Find';
import { PhoneBar } from './PhoneBar';
import { placesFor } from './places';
import { SignIn, useWaits } from './SignIn';
import { Undo } from './Undo';
import { Keys } from './Keys';
import { BeingJudged } from '../verdict/BeingJudged';
import { Icon } from '../parts/Icon';
import { Loading } from '../parts/Loading';
import { showIn, unitsOf } from '../parts/measure';

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
  const { me, who, ended, outside } = useWho(pathname);
  const site = sites.data?.find((one) => String(one.id) === siteId);
  const orchard = site && '/sites/' + site.id;
  const role = useRole(site?.id);
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
            {who?.mayAddSites && <option value="new">Add a site…</option>}
          </Form.Select>
        )}
        {site && (
          <nav className="path" aria-label="The work">
            {placesFor(role).map(([name, at]) => (
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
          {site && role !== 'owner' && (
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
          {who && <Account who={who} />}
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
      {ended && outside && <SignInBar />}
      {site && <BeingJudged siteId={site.id} />}
      <main id="page" tabIndex={-1}>
        {ended && !outside && me ? (
          <SignIn me={me} />
        ) : (
          <Suspense fallback={<Loading />}>
            <Outlet />
          </Suspense>
        )}
      </main>
      <Undo />
      {site && <PhoneBar siteId={site.id} walking={walking} role={role} />}
    </>
  );
}

/** Pages for whoever has a secret address. */
const OPEN = ['/join', '/come'];

/** Where a phone is used outdoors: there nobody is sent away from what they are at. */
const OUTDOORS = /^\/sites\/\d+\/(walk|log|waiting|trees\/\d+\/walk|visits\/\d+\/log|days\/\d+\/log)/;

/**
 * Who is signed in. A session that ended is said so, and nothing of what was entered is lost for it.
 */
function useWho(pathname: string) {
  const queries = useQueryClient();
  const me = useMe().data;
  const who = me?.signedIn ?? undefined;
  useEffect(() => {
    const again = () => void queries.invalidateQueries({ queryKey: ['me'] });
    signedOut.addEventListener('told', again);
    return () => signedOut.removeEventListener('told', again);
  }, [queries]);
  const id = who?.personId;
  useEffect(() => {
    if (id === undefined || String(id) === currentPersonId()) return;
    setCurrentPersonId(id);
    void store.keepPerson(String(id)).catch(() => undefined);
    showIn(unitsOf(String(id)));
  }, [id]);
  return {
    me,
    who,
    ended: !!me && !who && !OPEN.includes(pathname),
    outside: !!currentPersonId() && OUTDOORS.test(pathname),
  };
}

/** That the session ended while somebody is at work outdoors. */
function SignInBar() {
  const waits = useWaits();
  return (
    <p className="signal no-print" role="status">
      You are signed out. What you enter is kept here{waits && '; ' + waits}.{' '}
      <Link to="/">Sign in to send it</Link>
    </p>
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
