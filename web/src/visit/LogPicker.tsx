import { Fragment } from 'react';
import { Link, useParams } from 'react-router';
import type { Day, DaySummary } from '../api/client';
import { DayNotes } from '../crew/DayNotes';
import { cutsInWords, isOff } from '../vocabulary/crew';
import { useDay, useDays } from '../crew/dayQueries';
import { wantsLook } from '../field/outbox';
import { TakenAlong } from '../field/TakenAlong';
import { useWaiting } from '../field/useWaiting';
import { WaitingLine } from '../waiting/Waiting';
import { useMay } from '../api/me';
import { useSite } from '../api/orchard';
import { Loading } from '../parts/Loading';
import { LEAD, May } from '../parts/May';
import { State } from '../parts/State';
import { date, weekday, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { entryId } from './entry';
import { FirstList, useFirstListAnswered } from './FirstList';
import { IncidentForm } from './IncidentForm';
import { LookAgain } from './LookAgain';
import { TaskTicks } from './TaskTicks';
import { TimeLeft } from './TimeLeft';
import { WhoIsThere } from './WhoIsThere';

/** What is to be logged: the trees of one day in order, or of every day that has some left. */
export function LogPicker() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const all = useDays(siteId);
  const leads = useMay(siteId, ...LEAD);
  useTitle('Log');
  if (!all.data || !site.data) return <Loading error={all.error ?? site.error} />;
  const today = site.data.today;
  // Whoever helps logs the days they are on.
  const days = all.data.filter((day) => (leads || day.mine) && !isOff(day.state));
  const due = days.filter((day) => day.on <= today && day.logged < day.trees);
  const next = days.filter((day) => day.on > today).pop();
  return (
    <div className="walk">
      <h1>Which tree is done?</h1>
      <WaitingLine siteId={siteId} />
      <TakenAlong siteId={siteId} />
      {due.length === 0 && (
        <p>
          Nothing waits to be logged.{' '}
          {next ? (
            <>
              The next work day is{' '}
              <Link to={'/sites/' + siteId + '/days/' + next.id + '/log'}>
                {weekday(next.on)} {date(next.on)}
              </Link>
              .
            </>
          ) : (
            <May siteId={siteId} roles={LEAD}>
              <Link to={'/sites/' + siteId + '/days'}>Plan a work day.</Link>
            </May>
          )}
        </p>
      )}
      {due.map((day) => (
        <TreesOfDay key={day.id} day={day} siteId={siteId} today={today} />
      ))}
      <p className="faint mt-3">
        Something done without a work day, or a storm’s damage? Find the tree in the{' '}
        <Link to={'/sites/' + siteId}>orchard</Link>: its page logs both.
      </p>
    </div>
  );
}

function TreesOfDay({
  day,
  siteId,
  today,
}: {
  day: Pick<DaySummary, 'id' | 'on'>;
  siteId: number;
  today: string;
}) {
  return (
    <section aria-label={'Work day ' + date(day.on)}>
      <h2>
        {weekday(day.on)} {date(day.on)}
      </h2>
      {day.on === today ? (
        <Link className="btn btn-primary w-100 mb-2" to={'/sites/' + siteId + '/days/' + day.id + '/log'}>
          Run this day
        </Link>
      ) : (
        <Trees dayId={day.id} siteId={siteId} />
      )}
    </section>
  );
}

/** The trees of one day, in order, each with its log. */
export function LogDay() {
  const { siteId, dayId } = useParams();
  const day = useDay(Number(dayId));
  useTitle('Log');
  if (!day.data) return <Loading error={day.error} />;
  return (
    <div className="walk">
      <h1>
        {weekday(day.data.data.on)} {date(day.data.data.on)}
      </h1>
      <WaitingLine siteId={Number(siteId)} />
      <RunningDay day={day.data} siteId={Number(siteId)} />
      <DayNotes day={{ siteId: Number(siteId), dayId: day.data.id, on: day.data.data.on }} />
      <TakenAlong siteId={Number(siteId)} />
      <Link className="d-inline-block py-1" to={'/sites/' + siteId + '/days/' + dayId}>
        The day
      </Link>
    </div>
  );
}

/** A day while it runs: the list before the first cut, who is there, its trees and tasks, and what is left. */
function RunningDay({ day, siteId }: { day: Day; siteId: number }) {
  const site = useSite(siteId);
  const leads = useMay(siteId, ...LEAD);
  const answered = useFirstListAnswered(day.id);
  const today = site.data?.today ?? day.data.on;
  const runs = day.data.on === today;
  return (
    <>
      {runs && <FirstList day={day} />}
      {runs && <WhoIsThere day={day} />}
      {runs && leads && answered && <TimeLeft day={day} />}
      <Trees
        dayId={day.id}
        siteId={siteId}
        locked={runs && answered === false}
        lookedAtAgain={runs && leads && answered}
      />
      <TaskTicks day={day} today={today} />
      <IncidentForm
        day={{ siteId, dayId: day.id, on: day.data.on }}
        trees={day.visits.map((visit) => ({ treeId: visit.treeId, tag: visit.tag }))}
      />
    </>
  );
}

function Trees({
  dayId,
  siteId,
  locked = false,
  lookedAtAgain = false,
}: {
  dayId: number;
  siteId: number;
  locked?: boolean;
  /** Whether trees that are logged can be judged anew and come again. */
  lookedAtAgain?: boolean;
}) {
  const day = useDay(dayId);
  const waiting = useWaiting();
  if (!day.data) return <Loading error={day.error} />;
  const here = (visitId: number) =>
    waiting.data?.open.find((item) => item.kind === 'log' && item.visitId === visitId);
  const sent = (visitId: number) =>
    waiting.data?.sent.some((item) => item.kind === 'log' && item.visitId === visitId);
  const begun = (visitId: number) => waiting.data?.entries.some((one) => one.id === entryId(visitId));
  const trees = day.data.visits;
  return trees.map((visit, i) => {
    const inside = (
      <>
        <span className="order">{i + 1}</span>
        <span className="tag">{visit.tag}</span>
        <span className="flex-grow-1">
          {words(visit.species)} <span className="faint">{visit.cultivar}</span>
          <br />
          {visit.starts && !visit.logged && (
            <span className="small">
              crew {visit.crew}, {visit.starts}–{visit.ends}:{' '}
              {day.data.people
                .filter((one) => visit.people.includes(one.id))
                .map((one) => one.name.split(' ')[0])
                .join(', ')}
              <br />
            </span>
          )}
          <span className="faint small">
            {cutsInWords(visit.cuts, visit.shoots, visit.upkeepMinutes, visit.tasks)}
          </span>
        </span>
        {visit.logged && !here(visit.id) ? (
          <State code="yes" word="logged" />
        ) : here(visit.id) ? (
          <State
            code={wantsLook(here(visit.id)!) ? 'urgent' : 'yes'}
            word={wantsLook(here(visit.id)!) ? 'look at it' : 'logged here, waits'}
          />
        ) : sent(visit.id) ? (
          // The day as the phone has it is older than the log.
          <State code="yes" word="logged here, sent" />
        ) : begun(visit.id) ? (
          <State code="with-care" word="begun" />
        ) : (
          visit.sick && <State code="with-care" word="sick" />
        )}
      </>
    );
    // Nobody cuts before the list is answered; what is entered already can be come to.
    if (locked && !visit.logged && !here(visit.id) && !begun(visit.id))
      return (
        <div key={visit.id} className="limb-row locked">
          {inside}
        </div>
      );
    return visit.logged && !here(visit.id) ? (
      <Fragment key={visit.id}>
        <Link
          className="limb-row text-decoration-none text-body"
          to={'/sites/' + siteId + '/trees/' + visit.treeId}
        >
          {inside}
        </Link>
        {lookedAtAgain && trees.filter((one) => one.treeId === visit.treeId).at(-1) === visit && (
          <LookAgain day={day.data} visit={visit} />
        )}
      </Fragment>
    ) : (
      <Link
        key={visit.id}
        className="limb-row text-decoration-none text-body"
        to={'/sites/' + siteId + '/visits/' + visit.id + '/log'}
      >
        {inside}
      </Link>
    );
  });
}
