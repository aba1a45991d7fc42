import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Programme } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { percent, personMinutes } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { SEASONS } from '../vocabulary/verdict';
import { Hours } from './Hours';
import { Picture } from './Picture';
import { useProgramme } from './queries';
import { Replan } from './Replan';
import { Slots, Trees } from './Tables';

/** The work of the whole orchard by years and seasons, against the hours there are. */
export function ProgrammeView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const programme = useProgramme(siteId);
  useTitle('Programme');
  if (!site.data || !programme.data) return <Loading error={site.error ?? programme.error} />;
  const { slots, putOff } = programme.data;
  const southern = site.data.data.latitude < 0;
  const label = (year: number) =>
    southern ? year + '/' + String((year + 1) % 100).padStart(2, '0') : String(year);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1 className="mb-0">Programme</h1>
        <span className="faint">{site.data.data.name}</span>
        <span className="ms-auto d-flex flex-wrap gap-2 no-print">
          <Replan siteId={siteId} programme={programme.data} />
          <a className="btn btn-sm btn-outline-primary" href={'/api/sites/' + siteId + '/programme.csv'}>
            Table (CSV)
          </a>
          <Button size="sm" variant="outline-primary" onClick={() => window.print()}>
            Print
          </Button>
        </span>
      </div>
      <p className="mb-2">
        What is dangerous goes at once, whatever the hours. Trees begun are carried through, kept trees are
        kept up, and trees of a group begin together. Then what gains most for each hour goes first.
      </p>
      {slots.length === 0 && (
        <p>
          No tree has a plan yet. <Link to={'/sites/' + siteId + '/walk'}>Walk to one</Link>: its plan follows
          at once.
        </p>
      )}
      {slots.length > 0 && (
        <>
          <Hours siteId={siteId} programme={programme.data} key={JSON.stringify(programme.data.hours)} />
          <Picture programme={programme.data} siteId={siteId} label={label} />
          {putOff.length > 0 && <PutOff programme={programme.data} siteId={siteId} />}
          <details className="programme-tables">
            <summary>The same as tables, with hours of single years</summary>
            <div className="table-responsive">
              <Slots programme={programme.data} siteId={siteId} />
            </div>
            <div className="table-responsive">
              <Trees programme={programme.data} siteId={siteId} label={label} />
            </div>
          </details>
        </>
      )}
    </>
  );
}

function PutOff({ programme, siteId }: { programme: Programme; siteId: number }) {
  const would = (tree: Programme['putOff'][number]) =>
    tree.enough.length > 0
      ? '; ' +
        tree.enough.map((more) => more.hours + ' h ' + SEASONS[more.season]).join(' and ') +
        ' in every year would do'
      : '';
  return (
    <section aria-label="Put off">
      <h2>Put off for want of hours</h2>
      <ul className="mb-3">
        {programme.putOff.map((tree) => (
          <li key={tree.id}>
            <Link to={'/sites/' + siteId + '/trees/' + tree.id}>{tree.tag}</Link>{' '}
            {tree.years == null
              ? 'finds no hours in the years looked at' + would(tree)
              : 'by ' + tree.years + (tree.years === 1 ? ' year' : ' years')}
            , {personMinutes(tree.minutes)} of work.
            {tree.inLight != null &&
              tree.inLightAfter != null &&
              tree.inLightAfter > tree.inLight + 0.005 && (
                <span>
                  {' '}
                  Until then {percent(tree.inLight)} of its fruiting wood has light enough instead of{' '}
                  {percent(tree.inLightAfter)}.
                </span>
              )}
          </li>
        ))}
      </ul>
    </section>
  );
}
