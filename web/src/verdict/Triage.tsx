import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Judgement } from '../api/client';
import { FORMS, TRIAGE, TRIAGE_MEANS } from '../vocabulary/orchard';
import { State } from '../parts/State';
import { Reasons } from '../vocabulary/Reasons';
import { dates, percent } from '../parts/format';
import { OnAnotherDay } from '../season/OnAnotherDay';
import { MAY_CUT, VIGOURS } from '../vocabulary/verdict';

/** What the tree as a whole calls for and whether it may be cut today, in a line, with why. */
export function Triage({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
  const { tree, today } = judgement.evaluation;
  const [why, setWhy] = useState(false);
  const allowance = tree.allowance;
  return (
    <section aria-label="Judgement" className="judgement">
      <State code={tree.triage} word={TRIAGE[tree.triage]!} />{' '}
      <State code={today.mayCut} word={MAY_CUT[today.mayCut]!} />{' '}
      <span className="means">
        {TRIAGE_MEANS[tree.triage]}
        {tree.vigour ? '; ' + VIGOURS[tree.vigour] : ''}
        {'; form wanted: ' + FORMS[tree.formWanted]}
        {allowance.year != null ? '; may lose ' + percent(allowance.year) + ' of its crown this year' : ''}
        .{' '}
      </span>
      {today.nextOpens > judgement.today ? 'Next: ' : 'Window: '}
      {dates(today.nextOpens, today.nextCloses)}.{' '}
      <Button
        size="sm"
        variant="link"
        className="p-0 align-baseline"
        aria-expanded={why}
        onClick={() => setWhy(!why)}
      >
        {why ? 'Hide why' : 'Why?'}
      </Button>{' '}
      {why && (
        <>
          <Reasons reasons={[...tree.reasons, ...allowance.reasons, ...today.reasons]} />
          <OnAnotherDay treeId={treeId} />
        </>
      )}
    </section>
  );
}
