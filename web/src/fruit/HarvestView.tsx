import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import { currentPersonId } from '../api/client';
import { pickingItem } from '../field/items';
import { useFieldPack } from '../field/queries';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { NumberInput } from '../parts/inputs';
import { HELP, LEAD, May } from '../parts/May';
import { kilos, words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { FruitTableIn } from './FruitTableIn';

/** A harvest day: a list of trees and a pair of scales, one hand, without signal. Each basket is one picking. */
export function HarvestView() {
  const siteId = Number(useParams().siteId);
  const pack = useFieldPack(siteId);
  const waiting = useWaiting();
  const [open, setOpen] = useState<number>();
  const [asked, setAsked] = useState('');
  const [picked, setPicked] = useState(new Map<number, number>());
  useTitle('Harvest day');
  if (!pack.data) return <Loading error={pack.error} />;
  const wanted = asked.trim().toLowerCase();
  const trees = pack.data.trees.filter(
    (tree) =>
      !wanted ||
      [tree.tag, words(tree.species), tree.cultivar ?? ''].join(' ').toLowerCase().includes(wanted),
  );
  const waits = (treeId: number) =>
    waiting.data?.open.filter((item) => item.kind === 'picking' && item.treeId === treeId).length ?? 0;
  return (
    <div className="walk">
      <h1>Harvest day</h1>
      <p className="faint">
        Weigh each basket and add it to its tree: the year’s fruit is the sum. It works without signal.
      </p>
      <Form.Control
        type="search"
        aria-label="Find"
        placeholder="Find tag, kind, cultivar"
        value={asked}
        onChange={(e) => setAsked(e.target.value)}
      />
      <ul className="list-unstyled mt-2">
        {trees.map((tree) => (
          <li key={tree.id} className="harvest-row">
            <span>
              <Link to={'/sites/' + siteId + '/trees/' + tree.id + '?pane=fruit'}>{tree.tag}</Link>{' '}
              {words(tree.species)} {tree.cultivar}
              {(picked.get(tree.id) ?? 0) > 0 && <strong> {kilos(picked.get(tree.id)!)} today</strong>}
              {waits(tree.id) > 0 && <span className="faint"> {waits(tree.id)} wait on this phone</span>}
            </span>
            <May siteId={siteId} roles={HELP}>
              {open !== tree.id && (
                <Button
                  variant="outline-primary"
                  onClick={() => setOpen(tree.id)}
                  aria-label={'Weigh a basket of ' + tree.tag}
                >
                  Weigh
                </Button>
              )}
            </May>
            {open === tree.id && (
              <Basket
                siteId={siteId}
                treeId={tree.id}
                tag={tree.tag}
                on={pack.data.today}
                added={(kg) => {
                  setPicked((now) => new Map(now).set(tree.id, (now.get(tree.id) ?? 0) + kg));
                  setOpen(undefined);
                }}
              />
            )}
          </li>
        ))}
      </ul>
      <May siteId={siteId} roles={LEAD}>
        <FruitTableIn siteId={siteId} />
      </May>
    </div>
  );
}

const MOST_KG = 2000;
const MOST_FRUITS = 20_000;

function Basket({
  siteId,
  treeId,
  tag,
  on,
  added,
}: {
  siteId: number;
  treeId: number;
  tag: string;
  on: string;
  added: (kg: number) => void;
}) {
  const [kg, setKg] = useState<number>();
  const [number, setNumber] = useState<number>();
  const [spoilt, setSpoilt] = useState<number>();
  const { send, sending, wrong } = useSend();
  const add = async () => {
    const of = { siteId, treeId, tag, person: currentPersonId() };
    if (await send(pickingItem(of, { on, kilos: kg, number, spoiltKilos: spoilt }))) added(kg ?? 0);
  };
  return (
    <Form
      aria-label={'A basket of ' + tag}
      onSubmit={(e) => {
        e.preventDefault();
        if (kg !== undefined || number !== undefined) void add();
      }}
      noValidate
    >
      <NumberInput label="On the scales" unit="kg" value={kg} onChange={setKg} step={0.5} max={MOST_KG} />
      <NumberInput
        label="Fruits, if counted"
        value={number}
        onChange={setNumber}
        step={10}
        max={MOST_FRUITS}
      />
      <NumberInput
        label="Of it spoilt"
        unit="kg"
        value={spoilt}
        onChange={setSpoilt}
        step={0.5}
        max={MOST_KG}
      />
      <ProblemAlert error={wrong} />
      <Button type="submit" disabled={(kg === undefined && number === undefined) || sending}>
        Add the basket
      </Button>
    </Form>
  );
}
