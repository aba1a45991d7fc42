import { Link } from 'react-router';
import { useTrees } from '../api/orchard';
import { useDays } from '../crew/dayQueries';
import { usePeople } from '../crew/peopleQueries';

/** A group is more than whoever set it up. */
const A_GROUP = 2;

/** How many trees of a site nobody has walked to. */
export const useNotWalked = (siteId: number) =>
  useTrees(siteId, { q: '', species: '', triage: 'unsurveyed', sort: 'tag' }).total;

/** What comes first at a new site, as a strip with one next thing, until all of it is done. */
export function FirstSteps({ siteId, trees }: { siteId: number; trees: number }) {
  const people = usePeople(siteId).data;
  const days = useDays(siteId).data;
  const notWalked = useNotWalked(siteId);
  if (!people || !days) return null;
  const site = '/sites/' + siteId;
  const steps = [
    { done: true, name: 'The site', to: site + '/settings' },
    { done: trees > 0, name: 'Its trees', to: site + '/trees/new' },
    { done: trees > 0 && notWalked < trees, name: 'Walk to one: its plan follows', to: site + '/walk' },
    { done: people.length >= A_GROUP, name: 'Who helps', to: site + '/people' },
    { done: days.length > 0, name: 'A work day', to: site + '/days' },
  ];
  const next = steps.find((step) => !step.done);
  if (!next) return null;
  return (
    <nav aria-label="First steps" className="first-steps no-print">
      <ol>
        {steps.map((step) => (
          <li key={step.name} className={step.done ? 'done' : step === next ? 'next' : ''}>
            <Link to={step.to} aria-current={step === next ? 'step' : undefined}>
              {step.name}
              {step.done && <span className="visually-hidden">, done</span>}
            </Link>
          </li>
        ))}
      </ol>
      {trees === 0 && (
        <p className="small mb-0">
          Many trees at once? <Link to={site + '/bulk'}>Take in a table or a map of them</Link>.
        </p>
      )}
    </nav>
  );
}
