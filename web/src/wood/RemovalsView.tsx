import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { CameOff } from '../api/client';
import { centimetres, counted, date, kilos, words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { LEAD, May } from '../parts/May';
import { useTitle } from '../parts/useTitle';
import { DONE, WHOLE_TREE, WOOD } from '../vocabulary/visit';
import { GROUNDS } from '../vocabulary/wood';
import { PilesWeighed } from './PilesWeighed';
import { useCameOff } from './queries';
import { RemovalRegister } from './RemovalRegister';

const SHOWN = 100;
const NOT_PLANNED = 'not planned';

const yearOf = (one: CameOff) => one.on.slice(0, 4);
const whyOf = (one: CameOff) => (one.kind === WHOLE_TREE ? GROUNDS[one.reason!]! : (one.why ?? NOT_PLANNED));
const reasonOf = (one: CameOff) => words(one.reason ?? NOT_PLANNED);

interface Sum {
  name: string;
  limbs: number;
  trees: number;
  kg: number;
}

/** By something, how many limbs, trees and kilos. */
function sums(off: CameOff[], by: (one: CameOff) => string): Sum[] {
  const found = new Map<string, Sum>();
  for (const one of off) {
    const name = by(one);
    const sum = found.get(name) ?? { name, limbs: 0, trees: 0, kg: 0 };
    if (one.kind === WHOLE_TREE) sum.trees++;
    else sum.limbs++;
    sum.kg += one.kilos ?? 0;
    found.set(name, sum);
  }
  return [...found.values()];
}

const said = ({ limbs, trees, kg }: Omit<Sum, 'name'>) =>
  [limbs > 0 && `${counted(limbs, 'limb')}, ${kilos(kg)}`, trees > 0 && counted(trees, 'whole tree')]
    .filter(Boolean)
    .join('; ') || 'nothing';

/** The register of all that came off: trees, and every limb with why, by whom, how thick and how heavy. */
export function RemovalsView() {
  const siteId = Number(useParams().siteId);
  const off = useCameOff(siteId);
  const [asked, setAsked] = useState('');
  const [year, setYear] = useState('');
  const [reason, setReason] = useState('');
  const [all, setAll] = useState(false);
  useTitle('What came off');
  if (!off.data) return <Loading error={off.error} />;
  const byYear = sums(off.data, yearOf).sort((one, other) => other.name.localeCompare(one.name));
  const byReason = sums(off.data, reasonOf).sort(
    (one, other) => other.limbs + other.trees - one.limbs - one.trees,
  );
  const wanted = asked.trim().toLowerCase();
  const found = off.data.filter(
    (one) =>
      (!year || yearOf(one) === year) &&
      (!reason || reasonOf(one) === reason) &&
      (!wanted ||
        [
          one.tag,
          one.limb ?? 'whole tree',
          words(one.species),
          whyOf(one),
          one.people,
          one.wood,
          one.permission,
        ]
          .join(' ')
          .toLowerCase()
          .includes(wanted)),
  );
  const most = Math.max(1, ...byYear.map((sum) => sum.kg));
  const shown = all ? found : found.slice(0, SHOWN);
  const sum = sums(found, () => '')[0] ?? { limbs: 0, trees: 0, kg: 0 };
  return (
    <>
      <h1>What came off</h1>
      <RemovalRegister siteId={siteId} />
      <section aria-label="By year" className="my-3">
        <h2>By year</h2>
        {byYear.map((one) => (
          <div key={one.name} className="off-year">
            <span>{one.name}</span>
            <span className="bar" style={{ inlineSize: `${(one.kg / most) * 100}%` }} aria-hidden />
            <span>{said(one)}</span>
          </div>
        ))}
        <p className="small faint mb-0">Weights are of limbs, as planned; whole trees are not reckoned.</p>
      </section>
      <PilesWeighed siteId={siteId} />
      <h2>Each limb and tree</h2>
      <div className="d-flex gap-2 flex-wrap align-items-center mb-2">
        <Form.Control
          size="sm"
          type="search"
          style={{ maxWidth: 260 }}
          placeholder="Find tree, limb, reason, who"
          aria-label="Find"
          value={asked}
          onChange={(e) => setAsked(e.target.value)}
        />
        <Form.Select
          size="sm"
          style={{ width: 'auto' }}
          aria-label="Year"
          value={year}
          onChange={(e) => setYear(e.target.value)}
        >
          <option value="">All years</option>
          {byYear.map((one) => (
            <option key={one.name}>{one.name}</option>
          ))}
        </Form.Select>
        <Form.Select
          size="sm"
          style={{ width: 'auto', maxWidth: '100%' }}
          aria-label="Reason"
          value={reason}
          onChange={(e) => setReason(e.target.value)}
        >
          <option value="">All reasons</option>
          {byReason.map((one) => (
            <option key={one.name} value={one.name}>
              {one.name} ({one.limbs + one.trees})
            </option>
          ))}
        </Form.Select>
        <span className="faint" role="status">
          {said(sum)}
        </span>
        <May siteId={siteId} roles={LEAD}>
          <a className="ms-auto" href={'/api/sites/' + siteId + '/came-off.csv'}>
            As a table (CSV)
          </a>
        </May>
      </div>
      <div className="table-responsive" tabIndex={0} role="region" aria-label="What came off, one by one">
        <table className="table table-sm">
          <thead>
            <tr>
              <th>On</th>
              <th>Tree</th>
              <th>Limb</th>
              <th>Done</th>
              <th>Why</th>
              <th>Thick</th>
              <th>Weight</th>
              <th>Wood</th>
              <th>By</th>
              <th>Permission</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((one) => (
              <tr key={one.treeId + (one.limb ?? WHOLE_TREE) + one.on}>
                <td className="text-nowrap">{date(one.on)}</td>
                <td>
                  <Link to={'/sites/' + siteId + '/trees/' + one.treeId}>{one.tag}</Link>
                </td>
                <td>{one.limb ?? <strong>whole tree</strong>}</td>
                <td>{one.kind === WHOLE_TREE ? 'taken out' : DONE[one.kind]}</td>
                <td>{whyOf(one)}</td>
                <td className="text-nowrap">{one.diameterCm == null ? '' : centimetres(one.diameterCm)}</td>
                <td className="text-nowrap">{one.kilos == null ? '' : kilos(one.kilos)}</td>
                <td>{one.wood ? WOOD[one.wood] : ''}</td>
                <td>{one.people}</td>
                <td>{one.permission}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {shown.length < found.length && (
        <button type="button" className="btn btn-outline-primary btn-sm" onClick={() => setAll(true)}>
          Show all {found.length}
        </button>
      )}
    </>
  );
}
