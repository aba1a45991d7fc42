import { Button, Form } from 'react-bootstrap';
import type { FieldProblem, VisitCut } from '../api/client';
import { fieldInWords } from '../parts/fieldInWords';
import { State } from '../parts/State';
import { centimetres, metres } from '../parts/format';
import { DISEASES } from '../vocabulary/survey';
import { CUTS, TECHNIQUES, TICKETS, TOOLS, VERDICTS } from '../vocabulary/verdict';
import type { CutEntry } from '../field/kept';
import { Choice, NumberField } from './inputs';
import { DONE, OUTCOMES, WOOD } from '../vocabulary/visit';
import { unitName } from '../parts/measure';

/** One limb of the log: what was planned, what became of it, what the wood looked like. */
export function CutCard({
  number,
  cut,
  planned,
  change,
  drop,
  pick,
  photo,
  problems,
}: {
  number: number;
  cut: CutEntry;
  planned?: VisitCut;
  change: (changes: Partial<CutEntry>) => void;
  drop?: () => void;
  pick: () => void;
  /** Takes a picture of the place. */
  photo?: React.ReactNode;
  /** What the server did not take of it. */
  problems: FieldProblem[];
}) {
  const bend = planned?.kind === 'bend' && cut.outcome !== 'other';
  return (
    <section className="log-cut" aria-label={'Limb ' + cut.limb} onClick={pick}>
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <span className="order">{number}</span>
        <strong>
          {planned ? VERDICTS[planned.kind] + ' ' : ''}
          {cut.limb}
        </strong>
        {planned?.urgent && <State code="urgent" word="urgent" />}
        {planned?.tickets.map((ticket) => (
          <State key={ticket} code={ticket === 'arborist' ? 'urgent' : 'with-care'} word={TICKETS[ticket]!} />
        ))}
        {drop && (
          <Button size="sm" variant="link" className="ms-auto p-0" onClick={drop}>
            Not after all
          </Button>
        )}
      </div>
      {planned && (
        <div className="small">
          {CUTS[planned.cut]}
          {planned.sideBranch ? ' ' + planned.sideBranch : ''}
          {planned.kind === 'shorten' ? ', ' + metres(planned.alongM) + ' along it' : ''};{' '}
          {planned.kind !== 'bend' && centimetres(planned.diameterCm) + ' wide, '}
          {metres(planned.heightM)} up; {TOOLS[planned.tool]}; {TECHNIQUES[planned.technique]}.{' '}
          <span className="faint">{planned.reasons[0]?.text}</span>
        </div>
      )}
      {planned && (
        <div className="chips even outcomes" role="group" aria-label={'What became of ' + cut.limb}>
          {Object.entries(OUTCOMES).map(([code, name]) => (
            <button
              key={code}
              type="button"
              aria-pressed={cut.outcome === code}
              onClick={() =>
                change({ outcome: code, wood: code === 'done' && !bend ? cut.wood || 'sound' : cut.wood })
              }
            >
              {name}
            </button>
          ))}
        </div>
      )}
      {cut.outcome === 'other' && (
        <>
          <Choice
            legend="Instead it was"
            options={DONE}
            value={cut.kind}
            choose={(kind) => change({ kind })}
          />
          {cut.kind === 'shorten' && (
            <NumberField
              id={'log-along-' + cut.limb}
              label={'How far from its base, ' + unitName('m')}
              value={cut.alongM}
              change={(alongM) => change({ alongM })}
            />
          )}
        </>
      )}
      {cut.outcome !== '' && cut.outcome !== 'not-done' && !bend && (
        <>
          <Choice
            legend="Wood at the face"
            options={WOOD}
            value={cut.wood}
            choose={(wood) => change({ wood: wood === cut.wood ? '' : wood })}
          />
          {cut.wood === 'hollow' && (
            <NumberField
              id={'log-hollow-' + cut.limb}
              label={'Hollow, ' + unitName('cm') + ' wide'}
              value={cut.hollowCm}
              change={(hollowCm) => change({ hollowCm })}
            />
          )}
          <NumberField
            id={'log-face-' + cut.limb}
            label={'Width at the face, ' + unitName('cm') + ' (where it is measured)'}
            value={cut.faceCm ?? ''}
            change={(faceCm) => change({ faceCm })}
          />
          <div className="walk-field">
            <Form.Label htmlFor={'log-disease-' + cut.limb}>Disease</Form.Label>
            <Form.Select
              id={'log-disease-' + cut.limb}
              value={cut.disease}
              onChange={(e) => change({ disease: e.target.value })}
            >
              <option value="">none seen</option>
              {Object.entries(DISEASES).map(([code, name]) => (
                <option key={code} value={code}>
                  {name}
                </option>
              ))}
            </Form.Select>
          </div>
        </>
      )}
      {(cut.outcome === 'not-done' || cut.outcome === 'other') && (
        <Form.Control
          aria-label={'Why, ' + cut.limb}
          placeholder="Why?"
          maxLength={500}
          value={cut.note}
          onChange={(e) => change({ note: e.target.value })}
        />
      )}
      {cut.outcome !== '' && photo}
      {problems.map((wrong) => (
        <p key={wrong.pointer} className="text-danger small mb-0" role="alert">
          {fieldInWords(wrong.pointer)} {wrong.detail}.
        </p>
      ))}
    </section>
  );
}
