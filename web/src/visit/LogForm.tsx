import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import { useParams } from 'react-router';
import { currentPersonId, type LimbDrawing, type Log, type Person, type TreeSheet } from '../api/client';
import { asProblem } from '../field/phone';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { centimetres, date, words } from '../parts/format';
import { TakePhoto } from '../photo/TakePhoto';
import { CutCard } from './CutCard';
import { Clock } from './Clock';
import { HalfDone } from './HalfDone';
import { sidesOf } from './sides';
import { begin, beginFrom, emptyCut, entryId, missing, withPeople } from './entry';
import type { CutEntry, Entry } from '../field/kept';
import { Choice, NumberField } from './inputs';
import { LogDrawing } from './LogDrawing';
import { useEntry } from './useEntry';
import { useSendLog } from './useSendLog';
import { PRUNINGS } from '../vocabulary/visit';
import { DateInput } from '../parts/DateInput';

const ofCut = /^\/cuts\/(\d+)/;

/** A pile so many times what was reckoned says that too much came off (own assumption). */
const FAR_LARGER = 1.5;

export function LogForm({ sheet, log, people }: { sheet: TreeSheet; log?: Log; people: Person[] }) {
  const siteId = Number(useParams().siteId);
  const [picked, setPicked] = useState<string>();
  const {
    entry,
    change: changeBy,
    refusal,
    refused,
    drop,
    notKept,
  } = useEntry(entryId(sheet.visitId, log?.id), () => {
    const me = () => (currentPersonId() ? [Number(currentPersonId())] : []);
    const idsOf = (names: string[]) =>
      people.filter((person) => names.includes(person.name)).map((person) => person.id);
    return log
      ? beginFrom(log, idsOf(log.people?.split(', ') ?? []))
      : begin(sheet, sheet.people.length ? idsOf(sheet.people) : me());
  });
  const { submit, sending, wrong } = useSendLog(siteId, sheet, log, refused, drop);
  if (!entry) return <Loading />;
  const change = (parts: Partial<Entry>) => changeBy(() => parts);
  const cut = (limb: string, changes: Partial<CutEntry>) =>
    changeBy((now) => ({
      cuts: now.cuts.map((one) => (one.limb === limb ? { ...one, ...changes } : one)),
    }));
  const open = missing(entry);
  const planned = new Map(sheet.cuts.map((one) => [one.limb, one]));
  const others = sheet.drawing.limbs.filter((limb) => !entry.cuts.some((one) => one.limb === limb.id));
  const big = entry.cuts.filter((one) => planned.get(one.limb)?.big);
  const bigMade = big.length > 0 && big.every((one) => one.outcome !== '');
  const reckonedKg = sheet.cuts.reduce((sum, cut) => sum + cut.weightKg, 0);
  const ofCuts = refusal?.errors.filter((one) => ofCut.test(one.pointer)) ?? [];
  const photo = (spot: string, label: string) => (
    <TakePhoto
      siteId={siteId}
      treeId={sheet.treeId}
      tag={sheet.tag}
      takenOn={entry.on}
      spot={spot}
      label={label}
    />
  );
  return (
    <div className="walk">
      <h1>
        {log ? 'Correct the log of ' : ''}
        {sheet.tag}{' '}
        <small className="faint">
          {words(sheet.species)} {sheet.cultivar}
        </small>
      </h1>
      {log && <p className="faint">The log as it was first kept stays to be read.</p>}
      <LogDrawing sheet={sheet} picked={picked} onPick={setPicked} />
      {sheet.cautions.length > 0 && (
        <details className="caution-list mb-2">
          <summary>Take care: {sheet.cautions[0]!.text}</summary>
          <ul>
            {sheet.cautions.slice(1).map((caution) => (
              <li key={caution.text}>{caution.text}</li>
            ))}
          </ul>
        </details>
      )}
      {entry.cuts.map((one, i) => (
        <CutCard
          key={one.limb}
          number={i + 1}
          cut={one}
          planned={planned.get(one.limb)}
          change={(changes) => cut(one.limb, changes)}
          drop={
            planned.has(one.limb)
              ? undefined
              : () => change({ cuts: entry.cuts.filter((other) => other !== one) })
          }
          pick={() => setPicked(one.limb)}
          photo={photo('cut of ' + one.limb, 'The cut')}
          problems={ofCuts.filter((problem) => ofCut.exec(problem.pointer)?.[1] === String(i))}
        />
      ))}
      <HalfDone
        sides={sidesOf(sheet, entry)}
        leave={(limbs) =>
          changeBy((now) => ({
            cuts: now.cuts.map((one) =>
              one.outcome === '' && limbs.includes(one.limb) ? { ...one, outcome: 'not-done' } : one,
            ),
          }))
        }
      />
      <AnotherLimb limbs={others} add={(added) => change({ cuts: [...entry.cuts, added] })} />
      {sheet.tasks?.length > 0 && (
        <ul className="small">
          {sheet.tasks.map((task) => (
            <li key={task.code}>{task.text}</li>
          ))}
        </ul>
      )}
      {(sheet.shoots > 0 || Number(entry.shoots) > 0) && (
        <NumberField
          id="log-shoots"
          label={'Young shoots taken' + (sheet.shoots > 0 ? ', of ' + sheet.shoots + ' planned' : '')}
          value={entry.shoots}
          change={(shoots) => change({ shoots })}
        />
      )}
      <Choice
        legend="Prunings"
        options={PRUNINGS}
        value={entry.prunings}
        choose={(prunings) => change({ prunings })}
      />
      <NumberField
        id="log-pile"
        label={
          'Weight of the pile, kg' + (reckonedKg > 0 ? ', about ' + Math.round(reckonedKg) + ' reckoned' : '')
        }
        value={entry.pile ?? ''}
        change={(pile) => change({ pile })}
      />
      {reckonedKg > 0 && Number((entry.pile ?? '').replace(',', '.')) > FAR_LARGER * reckonedKg && (
        <Alert variant="warning" className="py-2">
          That is far more than was reckoned: too much came off. Leave what is left for next year.
        </Alert>
      )}
      {bigMade && (
        <Alert variant="warning" className="py-2">
          The big cuts are done. Walk once round and look again before the small ones: does the rest still
          hold? If not, say of the rest that it was not done, and once this is kept ask on the list of the day
          what remains: the tree is judged as it stands now.{' '}
          <Button
            size="sm"
            variant={entry.lookedAgain ? 'primary' : 'outline-primary'}
            aria-pressed={!!entry.lookedAgain}
            onClick={() => change({ lookedAgain: !entry.lookedAgain })}
          >
            Looked again
          </Button>
        </Alert>
      )}
      <Clock entry={entry} planned={sheet.minutes} change={change} />
      <WhoDidIt entry={entry} people={people} change={change} />
      <WhenAndWhat entry={entry} change={change} />
      <div className="d-flex gap-2 mb-3">
        {photo('the tree', 'The tree')}
        {photo('a wound', 'A wound')}
      </div>
      {refusal && (
        <ProblemAlert
          error={asProblem({ ...refusal, errors: refusal.errors.filter((one) => !ofCut.test(one.pointer)) })}
        />
      )}
      <ProblemAlert error={wrong} />
      {notKept && (
        <Alert variant="danger">
          This phone cannot keep what you enter: it may be full. Send the log before you close this, or make
          room.
        </Alert>
      )}
      {open.length > 0 && (
        <ul className="faint" aria-live="polite">
          {open.map((what) => (
            <li key={what}>{what}</li>
          ))}
        </ul>
      )}
      <Button
        className="w-100"
        style={{ minHeight: 52 }}
        disabled={open.length > 0 || sending}
        onClick={() => void submit(entry)}
      >
        {log ? 'Send the correction' : 'Send the log'} of {date(entry.on)}
      </Button>
    </div>
  );
}

/** Who was at it. */
function WhoDidIt({
  entry,
  people,
  change,
}: {
  entry: Entry;
  people: Person[];
  change: (parts: Partial<Entry>) => void;
}) {
  return (
    <fieldset className="walk-field">
      <legend>Who did it</legend>
      <div className="chips">
        {people.map((person) => (
          <button
            key={person.id}
            type="button"
            aria-pressed={entry.people.includes(person.id)}
            onClick={() =>
              change(
                withPeople(
                  entry,
                  entry.people.includes(person.id)
                    ? entry.people.filter((id) => id !== person.id)
                    : [...entry.people, person.id],
                ),
              )
            }
          >
            {person.name}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** A limb that was cut though nobody had planned it. */
function AnotherLimb({ limbs, add }: { limbs: LimbDrawing[]; add: (cut: CutEntry) => void }) {
  return (
    <Form.Select
      className="mb-3"
      style={{ minHeight: 48 }}
      aria-label="Another limb was cut"
      value=""
      onChange={(e) => add({ ...emptyCut(e.target.value), outcome: 'other', kind: 'remove' })}
    >
      <option value="">Another limb was cut…</option>
      {limbs.map((limb) => (
        <option key={limb.id} value={limb.id}>
          {limb.id}, {centimetres(limb.diameterCm)}
        </option>
      ))}
    </Form.Select>
  );
}

function WhenAndWhat({ entry, change }: { entry: Entry; change: (parts: Partial<Entry>) => void }) {
  return (
    <>
      <div className="walk-field">
        <Form.Label htmlFor="log-on">Done on</Form.Label>
        <DateInput id="log-on" value={entry.on} onChange={(on) => change({ on })} />
      </div>
      <div className="walk-field">
        <Form.Label htmlFor="log-note">Anything else; near misses too</Form.Label>
        <Form.Control
          id="log-note"
          as="textarea"
          rows={2}
          maxLength={2000}
          value={entry.note}
          onChange={(e) => change({ note: e.target.value })}
        />
      </div>
    </>
  );
}
