import { useState } from 'react';
import { Link, useParams } from 'react-router';
import type { OpenWound } from '../api/client';
import { useSite } from '../api/orchard';
import { useWaiting } from '../field/useWaiting';
import { centimetres, counted, date, words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { HELP, May } from '../parts/May';
import { useTitle } from '../parts/useTitle';
import { WOOD } from '../vocabulary/visit';
import { WOUND_STATES } from '../vocabulary/wood';
import { LookForm } from './LookForm';
import { useOpenWounds } from './queries';

const keyOf = (wound: OpenWound) => wound.treeId + ' ' + wound.wound;

/** Every wound that is not closed, those due first: to be gone round with, phone in hand. */
export function LooksView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const wounds = useOpenWounds(siteId);
  const waiting = useWaiting();
  const [open, setOpen] = useState<string>();
  useTitle('Wounds to look at');
  if (!site.data || !wounds.data) return <Loading error={site.error ?? wounds.error} />;
  const today = site.data.today;
  const due = wounds.data.filter((wound) => wound.dueOn <= today);
  const later = wounds.data.filter((wound) => wound.dueOn > today);
  const here = new Set(
    waiting.data?.open
      .filter((item) => item.kind === 'look')
      .map((item) => item.treeId + ' ' + (item.body as { wound: string }).wound),
  );
  const row = (wound: OpenWound) => (
    <li key={keyOf(wound)} className="look-row">
      <div className="d-flex gap-2 align-items-baseline flex-wrap">
        <Link to={'/sites/' + siteId + '/trees/' + wound.treeId + '?pane=wood'}>{wound.tag}</Link>
        <strong>{wound.wound}</strong>
        <span className="faint">
          {words(wound.species)}, {wound.old ? 'found' : 'cut'} {date(wound.madeOn)},{' '}
          {centimetres(wound.diameterCm)} wide
          {wound.face && wound.face !== 'sound' && ', ' + WOOD[wound.face]}
        </span>
      </div>
      <div className="d-flex gap-2 align-items-baseline flex-wrap">
        <span>
          {wound.lastOn
            ? `last ${date(wound.lastOn)}: ${Math.round(wound.longMm!)} by ${Math.round(wound.shortMm!)} mm, ${
                WOUND_STATES[wound.state!]
              }`
            : 'nobody looked since'}
          {wound.dueOn > today && <span className="faint">; again {date(wound.dueOn)}</span>}
        </span>
        {here.has(keyOf(wound)) && <span className="faint">looked at here, waits for signal</span>}
        <May siteId={siteId} roles={HELP}>
          {open !== keyOf(wound) && (
            <button
              type="button"
              className="btn btn-sm btn-outline-primary ms-auto"
              onClick={() => setOpen(keyOf(wound))}
              aria-label={'Look at ' + wound.wound + ' of ' + wound.tag}
            >
              Look
            </button>
          )}
        </May>
      </div>
      {open === keyOf(wound) && (
        <LookForm siteId={siteId} today={today} wound={wound} done={() => setOpen(undefined)} />
      )}
    </li>
  );
  return (
    <div className="walk">
      <h1>Wounds to look at</h1>
      <p className="faint">
        Measure what is open the long and the short way, say what it looks like, take a photo from where the
        last was taken. It works without signal.
      </p>
      {wounds.data.length === 0 && <p>No open wound of three centimetres and over is known here.</p>}
      {due.length > 0 && (
        <section aria-label="Due">
          <h2>Due, {counted(due.length, 'wound')}</h2>
          <ul className="list-unstyled">{due.map(row)}</ul>
        </section>
      )}
      {later.length > 0 && (
        <section aria-label="Later">
          <h2>Later</h2>
          <ul className="list-unstyled">{later.map(row)}</ul>
        </section>
      )}
    </div>
  );
}
