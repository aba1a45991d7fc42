import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { currentPersonId, type Log, type TreeSheet, type VisitCut } from '../api/client';
import { usePeople } from '../crew/queries';
import { numbered } from '../crew/DaySheet';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/Reasons';
import { centimetres, date, metres, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { DISEASES } from '../survey/words';
import { asItStands } from '../verdict/projection';
import { TreeDrawing } from '../verdict/TreeDrawing';
import { CUTS, TECHNIQUES, TICKETS, TOOLS, VERDICTS } from '../verdict/words';
import {
  begin,
  beginFrom,
  type CutEntry,
  emptyCut,
  type Entry,
  keep,
  kept,
  letGo,
  missing,
  toSend,
} from './entry';
import { useLogs, useSendLog, useVisitSheet } from './queries';
import { DONE, OUTCOMES, PRUNINGS, WOOD } from './words';

/** The log of one visit, on a phone: cut by cut what became of it and what the wood looked like. */
export function LogView() {
  const visitId = Number(useParams().visitId);
  const [params] = useSearchParams();
  const corrects = Number(params.get('correct')) || undefined;
  const sheet = useVisitSheet(visitId);
  const logs = useLogs(corrects === undefined ? undefined : sheet.data?.treeId);
  const people = usePeople();
  useTitle(sheet.data && 'Log ' + sheet.data.tag);
  const log = logs.data?.find((one) => one.id === corrects);
  if (!sheet.data || !people.data || (corrects !== undefined && !log))
    return <Loading error={sheet.error ?? people.error ?? logs.error} />;
  if (sheet.data.logged && corrects === undefined)
    return <p>This visit is logged. Its log can be corrected on the tree’s page.</p>;
  return <LogForm key={visitId + '-' + corrects} sheet={sheet.data} log={log} />;
}

function LogForm({ sheet, log }: { sheet: TreeSheet; log?: Log }) {
  const { siteId } = useParams();
  const people = usePeople();
  const navigate = useNavigate();
  const send = useSendLog(sheet.visitId, log?.id);
  const [view, setView] = useState(180);
  const [picked, setPicked] = useState<string>();
  const [entry, setEntry] = useState<Entry>(() => {
    const me = () => (currentPersonId() ? [Number(currentPersonId())] : []);
    const idsOf = (names: string[]) =>
      (people.data ?? []).filter((person) => names.includes(person.name)).map((person) => person.id);
    return (
      kept(sheet.visitId, log?.id) ??
      (log
        ? beginFrom(log, idsOf(log.people?.split(', ') ?? []))
        : begin(sheet, sheet.people.length ? idsOf(sheet.people) : me()))
    );
  });
  const change = (changes: Partial<Entry>) => {
    const next = { ...entry, ...changes };
    setEntry(next);
    keep(sheet.visitId, log?.id, next);
  };
  const cut = (limb: string, changes: Partial<CutEntry>) =>
    change({ cuts: entry.cuts.map((one) => (one.limb === limb ? { ...one, ...changes } : one)) });
  const open = missing(entry);
  const planned = new Map(sheet.cuts.map((one) => [one.limb, one]));
  const others = sheet.drawing.limbs.filter((limb) => !entry.cuts.some((one) => one.limb === limb.id));
  // By its promise: once it is kept the visit counts as logged, and this form may be gone before it hears of it.
  const submit = () =>
    send
      .mutateAsync(toSend(entry))
      .then(() => {
        letGo(sheet.visitId, log?.id);
        return navigate(
          sheet.dayId && !log
            ? '/sites/' + siteId + '/days/' + sheet.dayId + '/log'
            : '/sites/' + siteId + '/trees/' + sheet.treeId,
        );
      })
      .catch(() => undefined);
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
      <TreeDrawing
        drawing={sheet.drawing}
        limbs={new Map(sheet.limbs.map((limb) => [limb.id, limb]))}
        standing={asItStands(sheet.drawing)}
        view={view}
        picked={picked}
        onPick={setPicked}
        marks={numbered(sheet)}
      />
      <div className="d-flex gap-2 my-2">
        <Button variant="outline-secondary" className="flex-fill" onClick={() => setView((view + 45) % 360)}>
          <i className="bi bi-arrow-left" aria-hidden="true" /> Walk left
        </Button>
        <Button variant="outline-secondary" className="flex-fill" onClick={() => setView((view + 315) % 360)}>
          Walk right <i className="bi bi-arrow-right" aria-hidden="true" />
        </Button>
      </div>
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
        />
      ))}
      <Form.Select
        className="mb-3"
        style={{ minHeight: 48 }}
        aria-label="Another limb was cut"
        value=""
        onChange={(e) =>
          change({ cuts: [...entry.cuts, { ...emptyCut(e.target.value), outcome: 'other', kind: 'remove' }] })
        }
      >
        <option value="">Another limb was cut…</option>
        {others.map((limb) => (
          <option key={limb.id} value={limb.id}>
            {limb.id}, {centimetres(limb.diameterCm)}
          </option>
        ))}
      </Form.Select>
      {(sheet.shoots > 0 || Number(entry.shoots) > 0) && (
        <NumberField
          id="log-shoots"
          label={'Counted shoots taken' + (sheet.shoots > 0 ? ', of ' + sheet.shoots + ' planned' : '')}
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
        id="log-minutes"
        label="Minutes, clearing up included"
        value={entry.minutes}
        change={(minutes) => change({ minutes })}
      />
      <fieldset className="walk-field">
        <legend>Who did it</legend>
        <div className="chips">
          {people.data?.map((person) => (
            <button
              key={person.id}
              type="button"
              aria-pressed={entry.people.includes(person.id)}
              onClick={() =>
                change({
                  people: entry.people.includes(person.id)
                    ? entry.people.filter((id) => id !== person.id)
                    : [...entry.people, person.id],
                })
              }
            >
              {person.name}
            </button>
          ))}
        </div>
      </fieldset>
      <div className="walk-field">
        <Form.Label htmlFor="log-on">Done on</Form.Label>
        <Form.Control
          id="log-on"
          type="date"
          value={entry.on}
          onChange={(e) => change({ on: e.target.value })}
        />
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
      <ProblemAlert error={send.error} />
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
        disabled={open.length > 0 || send.isPending}
        onClick={submit}
      >
        {log ? 'Send the correction' : 'Send the log'} of {date(entry.on)}
      </Button>
    </div>
  );
}

function CutCard({
  number,
  cut,
  planned,
  change,
  drop,
  pick,
}: {
  number: number;
  cut: CutEntry;
  planned?: VisitCut;
  change: (changes: Partial<CutEntry>) => void;
  drop?: () => void;
  pick: () => void;
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
              label="How far from its base, m"
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
              label="Hollow, cm wide"
              value={cut.hollowCm}
              change={(hollowCm) => change({ hollowCm })}
            />
          )}
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
    </section>
  );
}

function Choice({
  legend,
  options,
  value,
  choose,
}: {
  legend: string;
  options: Record<string, string>;
  value: string;
  choose: (code: string) => void;
}) {
  return (
    <fieldset className="walk-field">
      <legend>{legend}</legend>
      <div className="chips">
        {Object.entries(options).map(([code, name]) => (
          <button key={code} type="button" aria-pressed={value === code} onClick={() => choose(code)}>
            {name}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function NumberField({
  id,
  label,
  value,
  change,
}: {
  id: string;
  label: string;
  value: string;
  change: (text: string) => void;
}) {
  return (
    <div className="walk-field">
      <Form.Label htmlFor={id}>{label}</Form.Label>
      <Form.Control
        id={id}
        inputMode="decimal"
        style={{ minHeight: 48 }}
        value={value}
        onChange={(e) => change(e.target.value)}
      />
    </div>
  );
}
