import { useRef } from 'react';
import { Button } from 'react-bootstrap';
import { Link, Navigate, useNavigate } from 'react-router';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { useAskOnce } from '../parts/useAskOnce';
import { useMe } from '../api/me';
import { useAddArchive, usePlantSample, useSites, useThrowAway } from '../api/orchard';

/** The first site, or what to do first where there is none. */
export function Welcome() {
  useTitle(undefined);
  const sites = useSites();
  const me = useMe().data?.signedIn;
  if (!sites.data || !me) return <Loading error={sites.error} />;
  const first = sites.data[0];
  const role = me.places.find((one) => one.siteId === first?.id)?.role;
  // Whoever owns or helps begins with what is theirs.
  const mine = role === 'owner' || role === 'volunteer' ? '/mine' : '';
  if (first) return <Navigate to={'/sites/' + first.id + mine} replace />;
  if (!me.mayAddSites)
    return <p>You belong to no orchard yet. Whoever invited you to one can make you a member again.</p>;
  return (
    <div className="mx-auto" style={{ maxWidth: 760 }}>
      <h1>An empty orchard</h1>
      <p>
        Trees are registered, walked to with a phone, and every limb gets its judgement and its year. Three
        ways to begin:
      </p>
      <div className="ways-in">
        <section>
          <h2>Play first</h2>
          <p>
            Sixty made-up trees on an old brickfield, walked, judged and planned. Do with them what you like;
            throw them away when you have seen enough.
          </p>
          <PlantSample variant="outline-primary" />
        </section>
        <section>
          <h2>Your trees are in a table</h2>
          <p>
            Name the place, then take in the table, or a map of points. Its columns are matched on screen.
          </p>
          <Link className="btn btn-outline-primary" to="/sites/new?then=bulk">
            Take in a table of trees
          </Link>
        </section>
        <section>
          <h2>Begin with one tree</h2>
          <p>Name the place, put the first tree on its plan, and walk to it.</p>
          <Link className="btn btn-primary" to="/sites/new">
            Begin
          </Link>
        </section>
      </div>
      <p className="mt-3 mb-1">Moving from elsewhere with everything?</p>
      <ArchiveUpload />
    </div>
  );
}

/** Plants a sample orchard and goes there. */
export function PlantSample({ variant }: { variant: string }) {
  const plant = usePlantSample();
  const navigate = useNavigate();
  return (
    <>
      <Button
        variant={variant}
        disabled={plant.isPending}
        onClick={() => plant.mutate(undefined, { onSuccess: (made) => navigate('/sites/' + made.siteId) })}
      >
        {plant.isPending ? 'Planting…' : 'Plant a sample orchard'}
      </Button>
      <ProblemAlert error={plant.error} />
    </>
  );
}

/** That this orchard is made up, and the way out of it. */
export function SampleStrip({ siteId }: { siteId: number }) {
  const thrown = useThrowAway();
  const navigate = useNavigate();
  const ask = useAskOnce();
  return (
    <aside className="sample-strip no-print" aria-label="A sample">
      <span>A sample orchard: its trees and people are made up. Try anything.</span>{' '}
      <Link to="/sites/new">Begin your own</Link>{' '}
      <Button
        size="sm"
        variant="outline-primary"
        disabled={thrown.isPending}
        onClick={() =>
          ask.sure(
            'The sample goes, with its people and everything you did in it.',
            () =>
              // What shows the sample is gone before this is through.
              void thrown.mutateAsync(siteId).then(() => navigate('/')),
          )
        }
      >
        Throw it away
      </Button>
      {ask.question}
      <ProblemAlert error={thrown.error} />
    </aside>
  );
}

/** An orchard archive from a file becomes a site. */
export function ArchiveUpload() {
  const input = useRef<HTMLInputElement>(null);
  const add = useAddArchive();
  const navigate = useNavigate();
  return (
    <>
      <Button variant="outline-primary" disabled={add.isPending} onClick={() => input.current?.click()}>
        Bring in an archive…
      </Button>
      <input
        ref={input}
        type="file"
        accept=".zip,.json,application/zip,application/json"
        hidden
        aria-label="Archive file"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) add.mutate(file, { onSuccess: (added) => navigate('/sites/' + added.siteId) });
        }}
      />
      <ProblemAlert error={add.error} />
    </>
  );
}
