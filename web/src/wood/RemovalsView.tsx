import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { LimbOff } from '../api/client';
import { centimetres, counted, date, kilos, words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { LEAD, May } from '../parts/May';
import { useTitle } from '../parts/useTitle';
import { DONE, WOOD } from '../vocabulary/visit';
import { useLimbsOff } from './queries';
import { RemovalRegister } from './RemovalRegister';

const SHOWN = 100;
const NOT_PLANNED = 'not planned';

const yearOf = (limb: LimbOff) => limb.on.slice(0, 4);
const whyOf = (limb: LimbOff) => limb.why ?? NOT_PLANNED;

/** By something, how many limbs and how many kilos, the most first. */
function sums(limbs: LimbOff[], by: (limb: LimbOff) => string): [string, number, number][] {
  const found = new Map<string, [number, number]>();
  for (const limb of limbs) {
    const [count, kg] = found.get(by(limb)) ?? [0, 0];
    found.set(by(limb), [count + 1, kg + (limb.kilos ?? 0)]);
  }
  return [...found].map(([name, [count, kg]]) => [name, count, kg]);
}

/** The register of all that came off: trees, and every limb with why, by whom, how thick and how heavy. */
export function RemovalsView() {
  const siteId = Number(useParams().siteId);
  const limbs = useLimbsOff(siteId);
  const [asked, setAsked] = useState('');
  const [year, setYear] = useState('');
  const [all, setAll] = useState(false);
  useTitle('What came off');
  if (!limbs.data) return <Loading error={limbs.error} />;
  const years = [...new Set(limbs.data.map(yearOf))];
  const wanted = asked.trim().toLowerCase();
  const found = limbs.data.filter(
    (limb) =>
      (!year || yearOf(limb) === year) &&
      (!wanted ||
        [limb.tag, limb.limb, words(limb.species), whyOf(limb), limb.people, limb.wood ?? '']
          .join(' ')
          .toLowerCase()
          .includes(wanted)),
  );
  const most = Math.max(1, ...sums(limbs.data, yearOf).map(([, , kg]) => kg));
  const shown = all ? found : found.slice(0, SHOWN);
  return (
    <>
      <h1>What came off</h1>
      <RemovalRegister siteId={siteId} />
      <section aria-label="Limbs by year" className="my-3">
        <h2>Limbs by year</h2>
        {sums(limbs.data, yearOf)
          .sort(([one], [other]) => other.localeCompare(one))
          .map(([name, count, kg]) => (
            <div key={name} className="off-year">
              <span>{name}</span>
              <span className="bar" style={{ inlineSize: `${(kg / most) * 100}%` }} aria-hidden />
              <span>
                {counted(count, 'limb')}, {kilos(kg)}
              </span>
            </div>
          ))}
      </section>
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
          {years.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Form.Select>
        <span className="faint" role="status">
          {counted(found.length, 'limb')}, {kilos(found.reduce((sum, limb) => sum + (limb.kilos ?? 0), 0))} as
          planned
        </span>
        <May siteId={siteId} roles={LEAD}>
          <a className="ms-auto" href={'/api/sites/' + siteId + '/limbs-off.csv'}>
            As a table (CSV)
          </a>
        </May>
      </div>
      {found.length > 0 && (
        <p className="small">
          {sums(found, (limb) => words(limb.reason ?? 'not planned'))
            .sort(([, one], [, other]) => other - one)
            .slice(0, 6)
            .map(([name, count]) => `${count} × ${name}`)
            .join(' · ')}
        </p>
      )}
      <div className="table-responsive" tabIndex={0} role="region" aria-label="Limbs">
        <table className="table table-sm">
          <thead>
            <tr>
              <th>On</th>
              <th>Tree</th>
              <th>Limb</th>
              <th>Cut</th>
              <th>Why</th>
              <th>Thick</th>
              <th>Weight</th>
              <th>Wood</th>
              <th>By</th>
            </tr>
          </thead>
          <tbody>
            {shown.map((limb) => (
              <tr key={limb.treeId + limb.limb + limb.on}>
                <td className="text-nowrap">{date(limb.on)}</td>
                <td>
                  <Link to={'/sites/' + siteId + '/trees/' + limb.treeId}>{limb.tag}</Link>
                </td>
                <td>{limb.limb}</td>
                <td>{DONE[limb.kind]}</td>
                <td>{whyOf(limb)}</td>
                <td className="text-nowrap">{limb.diameterCm == null ? '' : centimetres(limb.diameterCm)}</td>
                <td className="text-nowrap">{limb.kilos == null ? '' : kilos(limb.kilos)}</td>
                <td>{limb.wood ? WOOD[limb.wood] : ''}</td>
                <td>{limb.people}</td>
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
