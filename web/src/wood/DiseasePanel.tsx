import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Diseases } from '../api/client';
import { useAddTask } from '../crew/taskQueries';
import { counted, metres, Words, words } from '../parts/format';
import { LEAD, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { DISEASES } from '../vocabulary/survey';

type Disease = Diseases['diseases'][number];

/** How likely so many sick neighbours are by chance, as people say it. */
function chance(disease: Disease): string {
  if (disease.sick.length < 2) return 'One tree alone says nothing of how it spreads.';
  const times = Math.round(1 / disease.p);
  const pairs = `${counted(disease.joins, 'pair')} of sick trees within ${metres(disease.reachM)}; by chance it would be ${disease.expected.toFixed(1)}`;
  if (disease.joins <= disease.expected) return pairs + '. They lie no closer together than chance has them.';
  return disease.p < 0.1
    ? `${pairs}. Chance alone does that about once in ${times} orchards: it spreads from tree to tree.`
    : `${pairs}. Chance alone does that once in ${times === 1 ? 'two' : times} orchards: it may be chance.`;
}

/** Diseases of a site by year: how many, whether they lie together, who is at risk, where to look next. */
export function DiseasePanel({
  siteId,
  seen,
  disease: shown,
  onYear,
  onDisease,
  today,
}: {
  siteId: number;
  seen: Diseases;
  disease: string | undefined;
  onYear: (year: number) => void;
  onDisease: (disease: string) => void;
  today: string;
}) {
  const add = useAddTask(siteId);
  const disease = seen.diseases.find((one) => one.disease === shown) ?? seen.diseases[0];
  const tree = (id: number) => '/sites/' + siteId + '/trees/' + id + '?pane=wood';
  const lookNext = async (of: Disease) => {
    const closes = new Date(new Date(today + 'T00:00:00Z').getTime() + 60 * 24 * 3600 * 1000)
      .toISOString()
      .slice(0, 10);
    for (const one of of.lookNext)
      await add.mutateAsync({
        kind: 'look-at-tree',
        title: 'Look for ' + DISEASES[of.disease] + ' on ' + one.tag,
        treeId: one.treeId,
        opens: today,
        closes,
        minutes: 10,
        people: 1,
        kit: [],
      });
  };
  return (
    <section aria-label="Disease over the orchard" className="my-2">
      {seen.firstYear < seen.lastYear && (
        <Form.Group controlId="disease-year" className="d-flex gap-2 align-items-center">
          <Form.Label className="mb-0">At the end of</Form.Label>
          <Form.Range
            min={seen.firstYear}
            max={seen.lastYear}
            value={seen.year}
            onChange={(e) => onYear(Number(e.target.value))}
          />
          <output htmlFor="disease-year">{seen.year === seen.lastYear ? 'now' : seen.year}</output>
        </Form.Group>
      )}
      {!disease && <p>No disease had been seen here by then.</p>}
      {seen.diseases.length > 1 && (
        <div className="chips mb-1" role="group" aria-label="Which disease">
          {seen.diseases.map((one) => (
            <button
              key={one.disease}
              type="button"
              aria-pressed={one === disease}
              onClick={() => onDisease(one.disease)}
            >
              {DISEASES[one.disease]}
            </button>
          ))}
        </div>
      )}
      {disease && (
        <>
          <p className="mb-1">
            <strong>{Words(DISEASES[disease.disease]!)}</strong>: {disease.sick.length} of{' '}
            {counted(disease.canHave, 'tree')} that can have it
            {disease.sick.length > 0 && ' ('}
            {disease.sick.map((one, i) => (
              <span key={one.treeId}>
                {i > 0 && ', '}
                <Link to={tree(one.treeId)}>{one.tag}</Link>
                {!one.standing && ' (taken out)'}
              </span>
            ))}
            {disease.sick.length > 0 && ')'}. {disease.sick.length > 0 && chance(disease)}
          </p>
          {disease.incurable && disease.spreading && (
            <p className="report-open" role="note">
              Nothing cures it and it spreads: taking a sick tree out is worth asking for. Ask the owner and
              the committee first; open the tree and choose <em>Take the tree out</em>.
            </p>
          )}
          {disease.lookNext.length > 0 && disease.sick.length > 0 && (
            <div>
              Look at these next:{' '}
              {disease.lookNext.map((one, i) => (
                <span key={one.treeId}>
                  {i > 0 && ', '}
                  <Link to={tree(one.treeId)}>{one.tag}</Link>
                  {one.suspected && ' (suspected)'}
                </span>
              ))}
              . Sick trees are cut last, blades wiped before the next tree.{' '}
              <May siteId={siteId} roles={LEAD}>
                <Button
                  size="sm"
                  variant="outline-primary"
                  disabled={add.isPending || add.isSuccess}
                  onClick={() => void lookNext(disease).catch(() => undefined)}
                >
                  {add.isSuccess ? 'They stand among the tasks' : 'Make tasks of them'}
                </Button>
              </May>
              <ProblemAlert error={add.error} />
            </div>
          )}
          <p className="small faint mb-0">
            Kinds that cannot have {words(DISEASES[disease.disease]!)} are left out. How far a disease reaches
            is a rule of thumb; what a laboratory says comes first.
          </p>
        </>
      )}
    </section>
  );
}
