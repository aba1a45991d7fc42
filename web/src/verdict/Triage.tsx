import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Judgement } from '../api/client';
import { FORMS, TRIAGE, TRIAGE_MEANS } from '../orchard/words';
import { ProblemAlert } from '../parts/ProblemAlert';
import { Reasons, State } from '../parts/Reasons';
import { dates, percent } from '../parts/format';
import { SORTS } from '../season/words';
import { useMayCut } from './queries';
import { MAY_CUT, ON_A_DAY, VIGOURS } from './words';

/** May it be cut on another day? */
export function OnAnotherDay({ treeId }: { treeId: number }) {
  const [day, setDay] = useState('');
  const [sort, setSort] = useState('live');
  const answer = useMayCut(treeId, day, sort);
  return (
    <div className="d-flex flex-wrap gap-2 align-items-baseline no-print">
      <label htmlFor="another-day" className="faint">
        On another day?
      </label>
      <input
        id="another-day"
        type="date"
        className="form-control form-control-sm"
        style={{ width: 'auto' }}
        value={day}
        onChange={(e) => setDay(e.target.value)}
      />
      <select
        aria-label="What is to be cut"
        className="form-select form-select-sm"
        style={{ width: 'auto' }}
        value={sort}
        onChange={(e) => setSort(e.target.value)}
      >
        {Object.entries(SORTS).map(([code, name]) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
      {day && answer.data && (
        <span aria-live="polite">
          <State code={answer.data.mayCut} word={ON_A_DAY[answer.data.mayCut]!} />{' '}
          {answer.data.mayCut === 'no' ? 'Next: ' : 'Window: '}
          {dates(answer.data.nextOpens, answer.data.nextCloses)}.{' '}
          {[...answer.data.reasons, ...answer.data.wouldChange].map((reason) => reason.text).join(' ')}
        </span>
      )}
      <ProblemAlert error={answer.error} />
    </div>
  );
}

/** What the tree as a whole calls for, and whether it may be cut today. */
export function Triage({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
  const { tree, today } = judgement.evaluation;
  const [why, setWhy] = useState(false);
  const allowance = tree.allowance;
  return (
    <section className="my-2" aria-label="Judgement">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <State code={tree.triage} word={TRIAGE[tree.triage]!} />
        <span>
          {TRIAGE_MEANS[tree.triage]}
          {tree.vigour ? '; ' + VIGOURS[tree.vigour] : ''}
          {'; form wanted: ' + FORMS[tree.formWanted]}
          {allowance.year != null ? '; may lose ' + percent(allowance.year) + ' of its crown this year' : ''}
        </span>
        <Button size="sm" variant="link" className="p-0" aria-expanded={why} onClick={() => setWhy(!why)}>
          {why ? 'Hide why' : 'Why?'}
        </Button>
      </div>
      {why && <Reasons reasons={[...tree.reasons, ...allowance.reasons]} />}
      <div className="d-flex flex-wrap gap-2 align-items-baseline mt-1">
        <State code={today.mayCut} word={MAY_CUT[today.mayCut]!} />
        <span>
          {today.mayCut === 'no' ? 'Next: ' : 'Window: '}
          {dates(today.nextOpens, today.nextCloses)}. {today.reasons[0]?.text}
        </span>
        <OnAnotherDay treeId={treeId} />
      </div>
    </section>
  );
}
