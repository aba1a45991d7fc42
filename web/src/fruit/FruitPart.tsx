import { useState } from 'react';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { Link } from 'react-router';
import { currentPersonId, type Fruit } from '../api/client';
import { fruitItem } from '../field/items';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { useSite, useTree } from '../api/orchard';
import { decimal } from '../parts/fields';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAskOnce } from '../parts/useAskOnce';
import { isBush } from '../vocabulary/survey';
import { useFruit, useTakeFruitBack } from './queries';

type Year = Fruit['years'][number];

/** More than these from one plant is asked about (our own assumption: well above what a large old tree gives). */
const MUCH_OF_A_TREE = { kilos: 300, number: 4_000 };
const MUCH_OF_A_BUSH = { kilos: 12, number: 5_000 };

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
            <text x={x + (wide - 8) / 2} y={62 - high} fontSize={10} textAnchor="middle">
              {year.data.kilos ?? ''}
            </text>
            <text x={x + (wide - 8) / 2} y={79} fontSize={10} textAnchor="middle" fill="var(--faint)">
              {year.year}
            </text>
          </g>
        );
      })}
      <line x1={0} x2={count * wide} y1={66} y2={66} stroke="var(--ink)" />
    </svg>
  );
}

function FruitForm({
  treeId,
  siteId,
  year,
  known,
  setYear,
  last,
}: {
  treeId: number;
  siteId: number;
  year: number;
  known?: Year;
  setYear: (year: number) => void;
  last: number;
}) {
  const tree = useTree(treeId);
  const takeBack = useTakeFruitBack(treeId);
  const waiting = useWaiting();
  const ask = useAskOnce();
  const { send, sending, wrong: refused } = useSend();
  const here = waiting.data?.open.find(
    (item) => item.kind === 'fruit' && item.treeId === treeId && item.path.endsWith('/' + year),
  );
  const text = (value: number | null | undefined) => (value == null ? '' : String(value));
  const [bloom, setBloom] = useState(text(known?.data.bloom));
  const [number, setNumber] = useState(text(known?.data.number));
  const [kilos, setKilos] = useState(text(known?.data.kilos));
  const [note, setNote] = useState(known?.data.note ?? '');
  const wrong = [number, kilos].some((value) => Number.isNaN(decimal(value)));
  const much = isBush(tree.data?.data.species ?? '') ? MUCH_OF_A_BUSH : MUCH_OF_A_TREE;
  const unlikely =
    (decimal(kilos) ?? 0) > much.kilos || (decimal(number) ?? 0) > much.number
      ? 'That is very much for one plant of this kind.'
      : undefined;
  const keep = () => {
    // The form stays in its year, whatever others the answer tells of.
    setYear(year);
    const of = { siteId, treeId, tag: tree.data?.data.tag ?? '', person: currentPersonId() };
    const item = fruitItem(of, year, known?.version ?? 0, {
      bloom: bloom === '' ? undefined : Number(bloom),
      number: decimal(number) ?? undefined,
      kilos: decimal(kilos) ?? undefined,
      note: note || undefined,
    });
    return send(item, (other) => other.kind === 'fruit' && other.path === item.path);
  };
  return (
    <Form
      className="mb-3"
      onSubmit={(e) => {
        e.preventDefault();
        ask.sure(unlikely, () => void keep());
      }}
    >
      <Row className="g-2 align-items-end">
        <Col xs={6} sm={2}>
          <Form.Label htmlFor="fruit-year">Year</Form.Label>
          <Form.Select id="fruit-year" value={year} onChange={(e) => setYear(Number(e.target.value))}>
            {Array.from({ length: 15 }, (_, i) => last - i).map((one) => (
              <option key={one}>{one}</option>
            ))}
          </Form.Select>
        </Col>
        <Col xs={6} sm={2}>
          <Form.Label htmlFor="fruit-bloom">Bloom</Form.Label>
          <Form.Select id="fruit-bloom" value={bloom} onChange={(e) => setBloom(e.target.value)}>
            <option value="">not seen</option>
            {['0 none', '1', '2', '3', '4', '5 all over'].map((name, i) => (
              <option key={name} value={i}>
                {name}
              </option>
            ))}
          </Form.Select>
        </Col>
        <Col xs={6} sm={2}>
          <Form.Label htmlFor="fruit-number">Fruits picked</Form.Label>
          <Form.Control
            id="fruit-number"
            inputMode="numeric"
            value={number}
            onChange={(e) => setNumber(e.target.value)}
          />
        </Col>
        <Col xs={6} sm={2}>
          <Form.Label htmlFor="fruit-kilos">Picked, kg</Form.Label>
          <Form.Control
            id="fruit-kilos"
            inputMode="decimal"
            value={kilos}
            onChange={(e) => setKilos(e.target.value)}
          />
        </Col>
        <Col xs={12} sm={3}>
          <Form.Label htmlFor="fruit-note">Note</Form.Label>
          <Form.Control
            id="fruit-note"
            maxLength={1000}
            value={note}
            onChange={(e) => setNote(e.target.value)}
          />
        </Col>
        <Col xs={12} sm={1}>
          <Button
            type="submit"
            disabled={wrong || (bloom === '' && !number.trim() && !kilos.trim()) || sending}
          >
            Save
          </Button>
        </Col>
      </Row>
      {wrong && <div className="text-danger small">Give numbers, such as 42 or 4.2.</div>}
      {ask.question}
      {here && (
        <p className="small mb-0">
          {here.state === 'clash' || here.state === 'held' ? (
            <Link to={'/sites/' + siteId + '/waiting/' + here.key}>
              What was entered of {year} was not taken: look at it
            </Link>
          ) : (
            'What was entered of ' + year + ' waits on this phone for signal.'
          )}
        </p>
      )}
      {known && (
        <Button
          size="sm"
          variant="link"
          className="p-0 mt-1"
          disabled={takeBack.isPending}
          onClick={() => takeBack.mutate({ year, version: known.version })}
        >
          Take {year} back
        </Button>
      )}
      <ProblemAlert error={refused ?? takeBack.error} />
    </Form>
  );
}
