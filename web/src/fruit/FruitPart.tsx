import { useState } from 'react';
import type { Fruit } from '../api/client';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { FruitForm } from './FruitForm';
import { useFruit } from './queries';

type Year = Fruit['years'][number];

/** What a tree bore by year, and what follows from it; with the form when it is to be entered. */
export function FruitPart({
  treeId,
  siteId,
  entering = false,
}: {
  treeId: number;
  siteId: number;
  entering?: boolean;
}) {
  const fruit = useFruit(treeId);
  const site = useSite(siteId);
  const [year, setYear] = useState<number>();
  if (!fruit.data || !site.data) return <Loading error={fruit.error ?? site.error} />;
  const years = [...fruit.data.years].reverse();
  const thisYear = Number(site.data.today.slice(0, 4));
  const start = year ?? (years.some((one) => one.year === thisYear - 1) ? thisYear : thisYear - 1);
  const known = fruit.data.years.find((one) => one.year === start);
  return (
    <section className={entering ? 'sheet-box my-2' : ''} aria-label="Fruit">
      <h2>Fruit</h2>
      {entering && (
        <FruitForm
          key={start + '-' + (known?.version ?? 0)}
          treeId={treeId}
          siteId={siteId}
          year={start}
          known={known}
          setYear={setYear}
          last={thisYear}
        />
      )}
      {years.length === 0 ? (
        <p className="faint">Nothing was recorded yet.</p>
      ) : (
        <>
          <Bars years={fruit.data.years} />
          <div className="table-responsive">
            <table className="table table-sm fruit-table mb-1">
              <thead>
                <tr>
                  <th>Year</th>
                  <th className="num">Bloom</th>
                  <th className="num">Fruits</th>
                  <th className="num">kg</th>
                  <th className="num" title="Kilos for each square centimetre of the trunk’s cross-section">
                    kg/cm²
                  </th>
                  <th className="num" title="Fruits for each square centimetre of the trunk’s cross-section">
                    fruit/cm²
                  </th>
                </tr>
              </thead>
              <tbody>
                {years.map((one) => (
                  <tr key={one.year}>
                    <td>
                      {entering ? (
                        <button type="button" className="btn btn-link p-0" onClick={() => setYear(one.year)}>
                          {one.year}
                        </button>
                      ) : (
                        one.year
                      )}
                      {one.beforeOpening && <sup title="Counted before the tree was opened">*</sup>}
                    </td>
                    <td className="num">{one.data.bloom ?? ''}</td>
                    <td className="num">{one.data.number ?? ''}</td>
                    <td className="num">{one.data.kilos ?? ''}</td>
                    <td className="num">{one.kilosPerCm2?.toFixed(3) ?? ''}</td>
                    <td className="num">{one.fruitPerCm2?.toFixed(2) ?? ''}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <p className="small mb-1">{uneven(fruit.data)}</p>
          {years.some((one) => one.beforeOpening) && (
            <p className="small faint mb-0">
              * Counted before anything was cut: in a dense tree much fruit is missed, so a rise after opening
              proves little.
            </p>
          )}
        </>
      )}
    </section>
  );
}

/** How unevenly it bears, or that there is too little to tell. */
function uneven({ biennial, years }: Fruit): string {
  const trunk = years[years.length - 1]?.trunkCm2;
  const size = trunk ? 'Trunk cross-section ' + Math.round(trunk) + ' cm². ' : '';
  if (biennial.index == null)
    return (
      size +
      'Whether it bears every other year: too little to tell. ' +
      biennial.years +
      ' of ' +
      biennial.yearsWanted +
      ' years wanted can be compared with the year before.'
    );
  const word =
    biennial.index < 0.2 ? 'steady' : biennial.index < 0.5 ? 'somewhat uneven' : 'bears every other year';
  return (
    size +
    'Biennial bearing index ' +
    biennial.index.toFixed(2) +
    ' (0 steady, 1 every other year; from memory: Hoblyn et al. 1936): ' +
    word +
    ', over ' +
    biennial.years +
    ' pairs of years.'
  );
}

function Bars({ years }: { years: Year[] }) {
  const value = (year: Year) => year.data.kilos ?? 0;
  const most = Math.max(...years.map(value));
  if (most === 0) return null;
  const first = years[0]!.year;
  const count = years[years.length - 1]!.year - first + 1;
  const wide = Math.min(46, 320 / count);
  // Where years stand close only every other one is written out, the newest among them.
  const written = (year: number) => wide >= 36 || (first + count - 1 - year) % 2 === 0;
  return (
    <svg
      className="fruit-bars"
      viewBox={`0 0 ${Math.max(320, count * wide)} 84`}
      role="img"
      aria-label={'Kilos by year: ' + years.map((year) => year.year + ' ' + value(year)).join(', ')}
    >
      {years.map((year) => {
        const high = (value(year) / most) * 52;
        const x = (year.year - first) * wide + 4;
        return (
          <g key={year.year}>
            <rect x={x} y={66 - high} width={wide - 8} height={high} fill="var(--leaf)" />
            <text x={x + (wide - 8) / 2} y={62 - high} fontSize={13.5} textAnchor="middle">
              {written(year.year) ? (year.data.kilos ?? '') : ''}
            </text>
            <text x={x + (wide - 8) / 2} y={79} fontSize={13.5} textAnchor="middle" fill="var(--faint)">
              {written(year.year) ? year.year : ''}
            </text>
          </g>
        );
      })}
      <line x1={0} x2={count * wide} y1={66} y2={66} stroke="var(--ink)" />
    </svg>
  );
}
