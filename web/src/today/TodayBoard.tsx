import { useState } from 'react';
import { Link } from 'react-router';
import type { Board } from '../api/client';
import { DayRow } from '../crew/DayRow';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { dayAndMonth, personMinutes, words } from '../parts/format';
import { useBelowFirst } from '../parts/useAfterFirst';
import { REPORTS } from '../vocabulary/visit';
import { useBoard } from './queries';

const SHOWN = 6;

/** What the site asks for today, in few lines where it stands above other work: what is dangerous, what is open and closes first, what is held, which days lack people. */
export function TodayBoard({ siteId, short = false }: { siteId: number; short?: boolean }) {
  const board = useBoard(siteId);
  const below = useBelowFirst();
  if (!board.data) return <Loading error={board.error} />;
  const { reports, dangers, open, byWeather, coming, held, tasks, worse = [], days } = board.data;
  const tree = (id: number) => '/sites/' + siteId + '/trees/' + id;
  return (
    <section
      className={'today' + (short ? ' short' : '')}
      aria-label="Today"
      data-scrolls={short || undefined}
    >
      {(reports.length > 0 || dangers.length > 0) && (
        <div aria-label="Dangerous and not dealt with" role="group">
          <h2>Dangerous, not dealt with</h2>
          <ul>
            {reports.map((report) => (
              <li key={'r' + report.id}>
                <Link to={tree(report.treeId)}>{report.tag}</Link>{' '}
                <State
                  code={report.data.dangerous ? 'urgent' : 'with-care'}
                  word={REPORTS[report.data.kind]!}
                />{' '}
                {report.data.note} <span className="faint">{dayAndMonth(report.data.on)}</span>
              </li>
            ))}
            {dangers.map((danger) => (
              <li key={danger.treeId}>
                <Link to={tree(danger.treeId)}>{danger.tag}</Link> {words(danger.species)}: {danger.cuts}{' '}
                urgent {danger.cuts === 1 ? 'cut' : 'cuts'}
                {danger.onDay ? (
                  <span className="faint">, on the work day of {dayAndMonth(danger.onDay)}</span>
                ) : (
                  <strong>, on no work day</strong>
                )}
              </li>
            ))}
          </ul>
        </div>
      )}
      <div aria-label="Open now" role="group">
        <h2>Open now, what closes first on top</h2>
        {open.length === 0 && <p className="faint mb-1">No tree’s window is open for what it wants.</p>}
        <ul>
          {open.map((kind) => (
            <OpenKind key={kind.species} kind={kind} siteId={siteId} />
          ))}
        </ul>
        {byWeather.length > 0 && (
          <div aria-label="Held by the weather" role="group">
            <h2>Weather of today</h2>
            <ul>
              {byWeather.map((hold) => (
                <li key={hold.species}>
                  <Link to={'/sites/' + siteId + '/season/' + hold.species}>{words(hold.species)}</Link>{' '}
                  <State
                    code={hold.held ? 'no' : 'with-care'}
                    word={hold.held ? 'held today' : 'with care'}
                  />{' '}
                  <span className="faint">{hold.reasons.map((reason) => reason.text).join(' ')}</span>
                </li>
              ))}
            </ul>
          </div>
        )}
        {coming.length > 0 && (
          <div aria-label="Coming" role="group">
            <h2>Opens within weeks</h2>
            <ul>
              {coming.map((kind) => (
                <li key={kind.species + kind.season}>
                  <Link to={'/sites/' + siteId + '/season/' + kind.species}>{words(kind.species)}</Link> from{' '}
                  {dayAndMonth(kind.opens)}: {kind.trees} {kind.trees === 1 ? 'tree' : 'trees'},{' '}
                  {personMinutes(kind.minutes)}
                </li>
              ))}
            </ul>
          </div>
        )}
        {held.length > 0 && (
          <div aria-label="Held" role="group">
            <h2>Held this year</h2>
            <ul>
              {held.slice(0, SHOWN).map((one) => (
                <li key={one.treeId}>
                  <Link to={tree(one.treeId)}>{one.tag}</Link> <span className="faint">{one.why.text}</span>
                </li>
              ))}
              {held.length > SHOWN && (
                <li>
                  <Link to={'/sites/' + siteId + '?triage=rest'}>and {held.length - SHOWN} more</Link>
                </li>
              )}
            </ul>
          </div>
        )}
      </div>
      {below && (
        <>
          {tasks.length > 0 && (
            <div aria-label="Tasks due" role="group">
              <h2>
                <Link to={'/sites/' + siteId + '/tasks'}>Tasks due</Link>
              </h2>
              <ul>
                {tasks.slice(0, SHOWN).map((task) => (
                  <li key={task.key ?? task.id}>
                    {task.data.title}
                    {task.tag ? (
                      <>
                        , <Link to={tree(task.data.treeId!)}>{task.tag}</Link>
                      </>
                    ) : (
                      task.data.species && ', ' + words(task.data.species)
                    )}{' '}
                    <span className="faint">until {dayAndMonth(task.data.closes)}</span>
                    {task.state === 'missed' && (
                      <>
                        {' '}
                        <State code="no" word="missed" />
                      </>
                    )}
                    {task.dayOn && (
                      <span className="faint">, on the work day of {dayAndMonth(task.dayOn)}</span>
                    )}
                  </li>
                ))}
                {tasks.length > SHOWN && (
                  <li>
                    <Link to={'/sites/' + siteId + '/tasks'}>and {tasks.length - SHOWN} more</Link>
                  </li>
                )}
              </ul>
            </div>
          )}
          {worse.length > 0 && (
            <div aria-label="Wood that got worse" role="group">
              <h2>Wood that got worse in a year</h2>
              <ul>
                {worse.slice(0, SHOWN).map((one) => (
                  <li key={one.treeId}>
                    <Link to={tree(one.treeId) + '?pane=wood'}>{one.tag}</Link> {words(one.species)}:{' '}
                    {one.was} to <strong>{one.grade}</strong>, {one.worst}
                  </li>
                ))}
                {worse.length > SHOWN && <li>and {worse.length - SHOWN} more</li>}
              </ul>
            </div>
          )}
          <div aria-label="Work days" role="group">
            <h2>Work days</h2>
            {days.length === 0 && (
              <p className="mb-0">
                None is planned. <Link to={'/sites/' + siteId + '/days'}>Plan one</Link>
              </p>
            )}
            {days.map((day) => (
              <DayRow key={day.id} day={day} siteId={siteId} />
            ))}
          </div>
        </>
      )}
    </section>
  );
}

function OpenKind({ kind, siteId }: { kind: Board['open'][number]; siteId: number }) {
  const [all, setAll] = useState(false);
  const shown = all ? kind.treesClosingFirst : kind.treesClosingFirst.slice(0, SHOWN);
  return (
    <li>
      <strong>{words(kind.species)}</strong> until {dayAndMonth(kind.closes)}: {kind.trees}{' '}
      {kind.trees === 1 ? 'tree' : 'trees'}, {personMinutes(kind.minutes)}{' '}
      <span className="small">
        {shown.map((tree, i) => (
          <span key={tree.treeId}>
            {i > 0 && ', '}
            <Link to={'/sites/' + siteId + '/trees/' + tree.treeId}>{tree.tag}</Link>
          </span>
        ))}
        {!all && kind.treesClosingFirst.length > SHOWN && (
          <>
            {' '}
            <button
              type="button"
              className="btn btn-link btn-sm p-0 align-baseline"
              onClick={() => setAll(true)}
            >
              and {kind.treesClosingFirst.length - SHOWN} more
            </button>
          </>
        )}
      </span>
    </li>
  );
}
