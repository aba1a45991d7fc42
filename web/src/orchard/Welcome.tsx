import { useRef } from 'react';
import { Button } from 'react-bootstrap';
import { Link, Navigate, useNavigate } from 'react-router';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { useAddArchive, useSites } from '../api/orchard';

/** The first site, or what to do first where there is none. */
export function Welcome() {
  useTitle(undefined);
  const sites = useSites();
  if (!sites.data) return <Loading error={sites.error} />;
  const first = sites.data[0];
  if (first) return <Navigate to={'/sites/' + first.id} replace />;
  return (
    <div className="mx-auto" style={{ maxWidth: 620 }}>
      <h1>An empty orchard</h1>
      <p>
        Start with the place your trees stand: where it is and what its weather is like. Then register the
        trees, walk to each with a phone, and every limb gets its judgement and its year.
      </p>
      <Link className="btn btn-primary me-2" to="/sites/new">
        Add a site
      </Link>
      <ArchiveUpload />
    </div>
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
        accept=".json,application/json"
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
