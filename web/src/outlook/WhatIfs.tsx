import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { WhatIf, Wish } from '../api/client';
import { SCHOOL_OF, SCHOOLS } from '../vocabulary/orchard';
import { counted, percent, personMinutes } from '../parts/format';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useAddWhatIf, useRemoveWhatIf } from './queries';
import { type Line, wished } from '../vocabulary/outlook';
import { readLength, unitName, unitsShown } from '../parts/measure';

/** More lines than these nobody tells apart. */
const MOST = 3;

type School = 'pome' | 'apricot' | 'peach' | 'fig';

/** The plan with other wishes: another height, other years, another school; saved beside it, it changes nothing. */
export function WhatIfs({
  treeId,
  species,
  whatIfs,
  lines,
}: {
  treeId: number;
  species: string;
  whatIfs: WhatIf[];
  lines: Line[];
}) {
  const remove = useRemoveWhatIf(treeId);
  return (
    <section aria-label="What if" className="what-ifs">
      <h3>What if…</h3>
      {whatIfs.length === 0 && (
        <p className="small faint mb-1">
          Another height, other years or another school, laid beside the plan. It changes nothing until you
          wish it for the tree.
        </p>
      )}
      <ul className="list-unstyled mb-2">
        {whatIfs.map((one) => (
          <li key={one.id} style={{ borderColor: lines.find((line) => line.key === 'if-' + one.id)?.colour }}>
            <div className="d-flex justify-content-between gap-2">
              <span>
                <strong>{one.name}</strong>
                {one.name !== wished(one.wish) && ': ' + wished(one.wish)}
              </span>
              <Button
                size="sm"
                variant="link"
                className="p-0"
                aria-label={'Take away ' + one.name}
                disabled={remove.isPending}
                onClick={() => remove.mutate(one.id)}
              >
                take away
              </Button>
            </div>
            <div className="small">
              {one.says[0]?.text} {counted(one.cuts, 'cut')} over {counted(one.years, 'year')},{' '}
              {percent(one.share)} of the crown, {personMinutes(one.minutes)}.
            </div>
          </li>
        ))}
      </ul>
      {whatIfs.some((one) => one.wish.targetHeightM != null) && (
        <p className="small faint mb-1">Within reach is below the height wished for each.</p>
      )}
      <ProblemAlert error={remove.error} />
      {whatIfs.length < MOST && <NewWish treeId={treeId} species={species} />}
    </section>
  );
}

function NewWish({ treeId, species }: { treeId: number; species: string }) {
  const add = useAddWhatIf(treeId);
  const school = species === 'fig' ? 'fig' : (SCHOOL_OF[species] as School | undefined);
  const [heightM, setHeightM] = useState('');
  const [years, setYears] = useState('');
  const [allowance, setAllowance] = useState('');
  const [chosen, setChosen] = useState('');
  const wish: Wish = {
    targetHeightM: readLength(heightM, 'm', unitsShown()) ?? undefined,
    years: years ? Number(years) : undefined,
    allowance: allowance || undefined,
    ...(school && chosen ? { [school]: chosen } : {}),
  };
  const said = Number.isNaN(wish.targetHeightM) ? '' : wished(wish);
  return (
    <Form
      className="d-flex flex-wrap gap-2 align-items-end"
      onSubmit={(e) => {
        e.preventDefault();
        add.mutate(
          { name: said, wish },
          {
            onSuccess: () => {
              setHeightM('');
              setYears('');
              setAllowance('');
              setChosen('');
            },
          },
        );
      }}
    >
      <Form.Group controlId="wish-height">
        <Form.Label>Height wanted, {unitName('m')}</Form.Label>
        <Form.Control size="sm" value={heightM} onChange={(e) => setHeightM(e.target.value)} />
      </Form.Group>
      <Form.Group controlId="wish-years">
        <Form.Label>Over</Form.Label>
        <Form.Select size="sm" value={years} onChange={(e) => setYears(e.target.value)}>
          <option value="">as planned</option>
          {Array.from({ length: 10 }, (_, i) => (
            <option key={i} value={i + 1}>
              {counted(i + 1, 'year')}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Choice
        id="wish-allowance"
        school="allowance"
        label="A year takes"
        value={allowance}
        onChange={setAllowance}
      />
      {school && <Choice id="wish-school" school={school} label="Cut" value={chosen} onChange={setChosen} />}
      <Button type="submit" size="sm" disabled={!said || add.isPending}>
        Compare
      </Button>
      <ProblemAlert error={add.error} />
    </Form>
  );
}

function Choice({
  id,
  school,
  label,
  value,
  onChange,
}: {
  id: string;
  school: string;
  label: string;
  value: string;
  onChange: (code: string) => void;
}) {
  return (
    <Form.Group controlId={id}>
      <Form.Label>{label}</Form.Label>
      <Form.Select size="sm" value={value} onChange={(e) => onChange(e.target.value)}>
        <option value="">as now</option>
        {Object.entries(SCHOOLS[school]!.options).map(([code, words]) => (
          <option key={code} value={code}>
            {words.split(' – ')[0]}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}
