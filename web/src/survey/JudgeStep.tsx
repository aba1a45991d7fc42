import { useRef } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { Problem, type SurveyFile } from '../api/client';
import { ProblemAlert } from '../parts/ProblemAlert';
import { draftOf, unfinished } from './draft';
import type { Draft } from '../field/kept';
import { Chips } from '../parts/inputs';
import { Summary } from './Summary';
import { fieldName } from '../vocabulary/survey';

/** What was entered, what is still wanted, and the end of the walk. */
export function JudgeStep({
  draft,
  today,
  bush,
  go,
  openLimb,
  change,
  refused,
  sending,
  correcting,
  save,
  throwAway,
  cannotRead,
}: {
  draft: Draft;
  today: string;
  bush: boolean;
  /** To where a field is entered. */
  go: (pointer: string) => void;
  openLimb: (id: string) => void;
  change: (make: (now: Draft) => Draft) => void;
  refused?: Problem;
  sending: boolean;
  correcting: boolean;
  save: () => void;
  throwAway: () => void;
  cannotRead: (problem: Problem | undefined) => void;
}) {
  const upload = useRef<HTMLInputElement>(null);
  const fromFile = async (file: File) => {
    try {
      const read = JSON.parse(await file.text()) as SurveyFile;
      if (read.format !== 'diligent-bough/survey') throw new Problem(0, 'This is not a survey file.');
      change(() => draftOf(read, read.surveyedOn ?? today));
      cannotRead(undefined);
    } catch (wrong) {
      cannotRead(
        wrong instanceof Problem ? wrong : new Problem(0, 'This file cannot be read as a survey file.'),
      );
    }
  };
  const ids = draft.limbs.map((one) => one.id ?? '');
  return (
    <>
      <Summary draft={draft} bush={bush} openLimb={openLimb} />
      <Chips
        label="Plan over"
        options={{ 1: '1 year', 2: '2', 3: '3', 4: '4', 5: '5 years' }}
        value={draft.years ? String(draft.years) : undefined}
        onChange={(years) => change((now) => ({ ...now, years: years ? Number(years) : undefined }))}
        hint="Leave it open and the judgement suggests"
      />
      {refused && refused.errors.length > 0 ? (
        <Alert variant="danger" role="alert">
          {refused.message} Nothing was saved yet.
          <ul className="mb-0">
            {refused.errors.map((field) => (
              <li key={field.pointer}>
                <button
                  type="button"
                  className="btn btn-link p-0 align-baseline"
                  onClick={() => go(field.pointer)}
                >
                  {fieldName(field.pointer, ids)}
                </button>{' '}
                {field.detail}.
              </li>
            ))}
          </ul>
        </Alert>
      ) : (
        <ProblemAlert error={refused} />
      )}
      <Button
        className="w-100"
        style={{ minHeight: 56 }}
        disabled={sending || unfinished(draft).length > 0}
        onClick={save}
      >
        {correcting ? 'Save the correction and judge' : 'Save and judge'}
      </Button>
      <div className="d-flex flex-wrap gap-2 mt-3">
        <Button variant="outline-secondary" size="sm" onClick={() => upload.current?.click()}>
          Fill in from a survey file…
        </Button>
        <Button variant="outline-secondary" size="sm" onClick={throwAway}>
          Throw this draft away
        </Button>
      </div>
      <input
        ref={upload}
        type="file"
        hidden
        accept=".json,application/json"
        aria-label="Survey file"
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (file) void fromFile(file);
        }}
      />
    </>
  );
}
