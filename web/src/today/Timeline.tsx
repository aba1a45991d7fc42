import { useState } from 'react';
import { Link } from 'react-router';
import { useUndo, useWhatChanged } from '../api/changes';
import { BeforeAfter } from '../parts/BeforeAfter';
import { ProblemAlert } from '../parts/ProblemAlert';
import type { LoggedCut, Moment, VisitCut } from '../api/client';
import { cutsInWords } from '../vocabulary/crew';
import { TRIAGE } from '../vocabulary/orchard';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { date, dateTime, kilos, personMinutes } from '../parts/format';
import { DISEASES } from '../vocabulary/survey';
import { useHistory } from '../verdict/queries';
import { ENTITIES, VERDICTS } from '../vocabulary/verdict';
import { DONE, PRUNINGS, REPORTS, WOOD } from '../vocabulary/visit';
import { GROUNDS } from '../vocabulary/wood';
import { useTimeline } from './queries';
import { lengthAsGiven } from '../parts/measure';

/** All that happened to a tree and is to happen, the latest on top. */
export function Timeline({ treeId, at, today }: { treeId: number; at: string; today?: string }) {
  const timeline = useTimeline(treeId);
  if (!timeline.data) return <Loading error={timeline.error} />;
  const moments = timeline.data;
  const newest = moments.find((moment) => moment.what === 'survey');
  const years = [...new Set(moments.map((moment) => moment.on.slice(0, 4)))];
  return (
    <section aria-label="Line of time">
      <h2>What happened, and what is to</h2>
      {moments.length === 0 && <p className="faint">Nothing yet.</p>}
      <ol className="timeline">
        {years.map((year) => (
          <li key={year}>
            <h3>{year}</h3>
            <ol>
              {moments
                .filter((moment) => moment.on.startsWith(year))
                .map((moment) => (
                  <li
                    key={moment.what + moment.id}
                    className={
                      moment.what +
                      (today && moment.on > today ? ' coming' : '') +
                      (moment.log?.corrected ? ' corrected' : '')
                    }
                  >
                    <span className="when">
                      {moment.what === 'fruit' ? 'fruit' : date(moment.on).slice(0, -5)}
                    </span>
                    <span>
                      <What moment={moment} at={at} newest={moment === newest} />
                    </span>
                  </li>
                ))}
            </ol>
          </li>
        ))}
      </ol>
      <Changes treeId={treeId} />
    </section>
  );
}

function What({ moment, at, newest }: { moment: Moment; at: string; newest: boolean }) {
  const site = at.replace(/\/trees\/.*/, '');
  if (moment.what === 'survey')
    return (
      <>
        Walked by {moment.who}: <State code={moment.state!} word={TRIAGE[moment.state!]!} />{' '}
        <a href={'/api/surveys/' + moment.id + '/file'} download>
          survey file
        </a>
        {newest && (
          <>
            {', '}
            <Link to={at + '/walk?correct=' + moment.id}>correct it</Link>
          </>
        )}
      </>
    );
  if (moment.what === 'visit')
    return (
      <>
        <Link to={site + '/days/' + moment.dayId}>Work day</Link>: {cutsInWords(moment.planned ?? [], 0, 0)}{' '}
        <Link to={site + '/visits/' + moment.id + '/log'}>Log it</Link>
      </>
    );
  if (moment.log)
    return (
      <>
        {moment.log.corrects != null && <span className="faint">Correction: </span>}
        {moment.log.corrected && <span className="faint">Corrected since: </span>}
        {done(moment.log.cuts, moment.planned ?? [])}
        {moment.log.shoots > 0 && ' ' + moment.log.shoots + ' young shoots taken.'}{' '}
        <span className="faint">
          {moment.who}, {personMinutes(moment.log.minutes)}, prunings {PRUNINGS[moment.log.prunings]}.
        </span>{' '}
        {moment.note}{' '}
        {!moment.log.corrected && (
          <Link to={site + '/visits/' + moment.log.visitId + '/log?correct=' + moment.id}>correct it</Link>
        )}
      </>
    );
  if (moment.report)
    return (
      <>
        <State
          code={moment.report.dangerous ? 'urgent' : 'with-care'}
          word={REPORTS[moment.state ?? 'other']!}
        />{' '}
        reported by {moment.who}. {moment.note}{' '}
        {moment.report.dealtOn
          ? 'Dealt with ' + date(moment.report.dealtOn) + ': ' + moment.report.dealtHow
          : 'Not dealt with yet.'}
      </>
    );
  if (moment.fruit) {
    const { bloom, number, kilos: picked } = moment.fruit.data;
    return (
      <>
        {[
          bloom != null && 'bloom ' + bloom + ' of 5',
          picked != null && kilos(picked),
          number != null && number + ' fruits',
        ]
          .filter(Boolean)
          .join(', ')}
        {moment.note && '. ' + moment.note}
      </>
    );
  }
  return (
    <>
      Taken out by {moment.who}: {GROUNDS[moment.state!]}. Permission: {moment.removal?.permission}.
      {moment.removal?.replacement && ' Instead: ' + moment.removal.replacement + '.'} {moment.note}
    </>
  );
}

/** Removed C (soft), D; shortened A1; left B: too high that day. */
function done(cuts: LoggedCut[], planned: VisitCut[]): string {
  const kindOf = (cut: LoggedCut) =>
    cut.outcome === 'done' ? planned.find((one) => one.limb === cut.limb)?.kind : (cut.kind ?? '');
  const found = (cut: LoggedCut) => {
    const parts = [
      cut.wood &&
        cut.wood !== 'sound' &&
        WOOD[cut.wood] + (cut.hollowCm ? ' ' + lengthAsGiven(cut.hollowCm, 'cm') : ''),
      cut.disease && DISEASES[cut.disease],
      cut.outcome === 'other' && planned.some((one) => one.limb === cut.limb)
        ? 'planned: ' + VERDICTS[planned.find((one) => one.limb === cut.limb)!.kind]
        : cut.outcome === 'other' && 'not planned',
      cut.note,
    ].filter(Boolean);
    return cut.limb + (parts.length ? ' (' + parts.join(', ') + ')' : '');
  };
  const made = Object.entries(DONE)
    .map(([kind, word]) => ({
      word,
      cuts: cuts.filter((cut) => cut.outcome !== 'not-done' && kindOf(cut) === kind),
    }))
    .filter((group) => group.cuts.length > 0)
    .map((group) => group.word + ' ' + group.cuts.map(found).join(', '));
  const left = cuts.filter((cut) => cut.outcome === 'not-done');
  if (left.length) made.push('not done ' + left.map(found).join(', '));
  const text = made.join('; ') || 'nothing cut';
  return text.charAt(0).toUpperCase() + text.slice(1) + '.';
}

/** Who changed what in the records, for whoever wants to know. */
function Changes({ treeId }: { treeId: number }) {
  const history = useHistory(treeId);
  const [open, setOpen] = useState<number>();
  return (
    <details className="mt-2">
      <summary>Who changed what</summary>
      <section aria-label="History">
        <ul className="list-unstyled mb-0">
          {history.data?.map((entry) => (
            <li key={entry.id}>
              <span className="faint">{dateTime(entry.at)}</span> {ENTITIES[entry.entity] ?? entry.entity}{' '}
              {entry.action.replace('-', ' ')}
              {entry.who ? ' by ' + entry.who : ''}{' '}
              <button
                type="button"
                className="btn btn-link btn-sm p-0 align-baseline"
                aria-expanded={open === entry.id}
                onClick={() => setOpen(open === entry.id ? undefined : entry.id)}
              >
                before and after
              </button>
              {open === entry.id && <OneChange id={entry.id} />}
            </li>
          ))}
        </ul>
      </section>
    </details>
  );
}

function OneChange({ id }: { id: number }) {
  const change = useWhatChanged(id);
  const undo = useUndo();
  if (!change.data) return <Loading error={change.error} />;
  return (
    <div className="ms-3 mb-2">
      <BeforeAfter changes={change.data.changes} />
      {change.data.undoable && (
        <button
          type="button"
          className="btn btn-outline-primary btn-sm"
          disabled={undo.isPending}
          onClick={() => undo.mutate(id)}
        >
          Undo this
        </button>
      )}
      <ProblemAlert error={undo.error} />
    </div>
  );
}
