import { zodResolver } from '@hookform/resolvers/zod';
import { Button, Col, Form, Row } from 'react-bootstrap';
import { useForm, useWatch } from 'react-hook-form';
import { Link } from 'react-router';
import { currentPersonId, type Fruit, type FruitData } from '../api/client';
import { useTree } from '../api/orchard';
import { fruitItem } from '../field/items';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { FieldInput, type Typed } from '../parts/formOf';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAskOnce } from '../parts/useAskOnce';
import { isBush } from '../vocabulary/survey';
import { FRUIT, FRUIT_FIELDS, FRUIT_FIRST } from './fruitFields';
import { useTakeFruitBack } from './queries';

type Year = Fruit['years'][number];

/** More than these from one plant is asked about (our own assumption: well above what a large old tree gives). */
const MUCH_OF_A_TREE = { kilos: 300, number: 4_000 };
const MUCH_OF_A_BUSH = { kilos: 12, number: 5_000 };

/** One of these at least. */
const COUNTED = ['bloom', 'number', 'kilos'];

/** What is counted of one year. */
export function FruitForm({
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
  const form = useForm<Typed>({
    resolver: zodResolver(FRUIT.schema),
    defaultValues: known ? FRUIT.typed(known.data) : FRUIT.empty,
  });
  const typed = useWatch({ control: form.control }) as Typed;
  const much = isBush(tree.data?.data.species ?? '') ? MUCH_OF_A_BUSH : MUCH_OF_A_TREE;
  const keep = (fields: Typed) => {
    // The form stays in its year, whatever others the answer tells of.
    setYear(year);
    const of = { siteId, treeId, tag: tree.data?.data.tag ?? '', person: currentPersonId() };
    const { bloom, fruitSet, colour, ...rest } = FRUIT.data(fields) as FruitData & Record<string, unknown>;
    const grade = (value: unknown) => (value === undefined || value === null ? undefined : Number(value));
    const item = fruitItem(of, year, known?.version ?? 0, {
      ...rest,
      bloom: grade(bloom),
      fruitSet: grade(fruitSet),
      colour: grade(colour),
    });
    return send(item, (other) => other.kind === 'fruit' && other.path === item.path);
  };
  const submit = form.handleSubmit((fields) => {
    const { kilos, number } = FRUIT.data(fields);
    ask.sure(
      (kilos ?? 0) > much.kilos || (number ?? 0) > much.number
        ? 'That is very much for one plant of this kind.'
        : undefined,
      () => void keep(fields),
    );
  });
  return (
    <Form className="mb-3" onSubmit={submit} noValidate>
      <Row className="g-2 align-items-end">
        <Col xs={6} sm={2}>
          <Form.Group className="mb-3">
            <Form.Label htmlFor="fruit-year">Year</Form.Label>
            <Form.Select id="fruit-year" value={year} onChange={(e) => setYear(Number(e.target.value))}>
              {Array.from({ length: 15 }, (_, i) => last - i).map((one) => (
                <option key={one}>{one}</option>
              ))}
            </Form.Select>
            <div className="small">&nbsp;</div>
          </Form.Group>
        </Col>
        {FRUIT_FIELDS.filter((field) => FRUIT_FIRST.includes(field.name)).map((field) => (
          <Col xs={field.kind === 'text' ? 12 : 6} sm={field.kind === 'text' ? 3 : 2} key={field.name}>
            <FieldInput form={form} field={field} />
          </Col>
        ))}
      </Row>
      <details className="mb-2">
        <summary>Set, thinning, size, colour, where it went</summary>
        <Row className="g-2 align-items-end">
          {FRUIT_FIELDS.filter((field) => !FRUIT_FIRST.includes(field.name)).map((field) => (
            <Col xs={6} sm={3} key={field.name}>
              <FieldInput form={form} field={field} />
            </Col>
          ))}
        </Row>
      </details>
      <Button type="submit" disabled={COUNTED.every((name) => !String(typed[name]).trim()) || sending}>
        Save
      </Button>
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
