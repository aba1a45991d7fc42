import { useState } from 'react';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { dates } from '../parts/format';
import { ON_A_DAY } from '../vocabulary/verdict';
import { useMayCut } from './queries';
import { SORTS } from '../vocabulary/season';
import { DateInput } from '../parts/DateInput';

/** May a tree, or a kind at a site, be cut on another day? */
export function OnAnotherDay(of: { treeId: number } | { siteId: number; species: string }) {
  const [day, setDay] = useState('');
  const [sort, setSort] = useState('live');
  const answer = useMayCut(of, day, sort);
  return (
    <div className="d-flex flex-wrap gap-2 align-items-baseline no-print">
      <label htmlFor="another-day" className="faint">
        On another day?
      </label>
      <DateInput id="another-day" small value={day} onChange={setDay} />
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
          {answer.data.nextOpens > day ? 'Next: ' : 'Window: '}
          {dates(answer.data.nextOpens, answer.data.nextCloses)}.{' '}
          {[...answer.data.reasons, ...answer.data.wouldChange].map((reason) => reason.text).join(' ')}
        </span>
      )}
      <ProblemAlert error={answer.error} />
    </div>
  );
}
