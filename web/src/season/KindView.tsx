import { BUD_NAMES, BudDrawing } from '../drawing/BudDrawing';
import { KIND_WORK } from './kindWork';
import { WoodDrawing } from '../drawing/WoodDrawing';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Kind } from '../api/client';
import { useSite } from '../api/orchard';
import { SCHOOL_OF, SCHOOLS } from '../vocabulary/orchard';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { Reasons } from '../vocabulary/Reasons';
import { date, dates, words, Words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { MAY_CUT } from '../vocabulary/verdict';
import { CareList } from './CareList';
import { OnAnotherDay } from './OnAnotherDay';
import { useKind, useTakeBackSighting } from './queries';
import { SeenStage } from './SeenStage';
import { QUALITY, stageName, WORK } from '../vocabulary/season';
import { Bars, HEAD, YearFrame, useNarrow, yearOf } from './YearStrip';

/** The year of one kind of tree at a site, in words and one picture. */
export function KindView() {
  const { siteId: site, species = '' } = useParams();
  const siteId = Number(site);
  const kind = useKind(siteId, species);
  const place = useSite(siteId);
  useTitle(Words(species) + ' through the year');
  if (!kind.data || !place.data) return <Loading error={kind.error ?? place.error} />;
  const { mayCut } = kind.data;
  return (
    <>
      <h1>{Words(species)} through the year</h1>
      <p>
        <Link to={'/sites/' + siteId + '?species=' + species}>
          {kind.data.trees} {kind.data.trees === 1 ? 'tree' : 'trees'} here
        </Link>
      </p>
      <section aria-label="Today">
        <State code={mayCut.mayCut} word={MAY_CUT[mayCut.mayCut]!} />{' '}
        {mayCut.nextOpens > kind.data.today ? 'Next: ' : 'Window: '}
        {dates(mayCut.nextOpens, mayCut.nextCloses)}
        <Reasons reasons={[...mayCut.reasons, ...mayCut.wouldChange]} />
        <OnAnotherDay siteId={siteId} species={species} />
      </section>
      <KindYear kind={kind.data} />
      <OwnWork species={species} />
      <div className="kind-columns">
        <section aria-label="Windows">
          <h2>When it is cut here</h2>
          <Windows windows={kind.data.windows} />
          <h2>What the place does</h2>
          <Reasons reasons={kind.data.facts} />
        </section>
        <section aria-label="Seen">
          <h2>What was seen</h2>
          <SeenStage
            siteId={siteId}
            species={species}
            today={kind.data.today}
            southern={place.data.data.latitude < 0}
          />
          <Sightings kind={kind.data} siteId={siteId} />
        </section>
      </div>
      <Schools kind={kind.data} siteId={siteId} />
      <section aria-label="Partners">
        <h2>Partners in bloom</h2>
        {kind.data.lacking.length === 0 ? (
          <p>No tree of this kind lacks one, as far as is known.</p>
        ) : (
          <ul>
            {kind.data.lacking.map((lack) => (
              <li key={lack.treeId}>
                <Link to={'/sites/' + siteId + '/trees/' + lack.treeId}>{lack.tag}</Link>
                {lack.cultivar ? ' ' + lack.cultivar : ''}: {lack.why.text}{' '}
                <span className="source">({lack.why.source})</span>
              </li>
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Care">
        <h2>Other work with it</h2>
        <CareList siteId={siteId} today={kind.data.today} species={species} />
      </section>
    </>
  );
}

function Windows({ windows }: { windows: Kind['windows'] }) {
  return (
    <ul className="windows">
      {windows.map((window) => (
        <li key={window.opens + window.quality + window.work}>
          <State
            code={window.quality === 'best' ? 'yes' : window.quality === 'with-care' ? 'with-care' : 'no'}
            word={QUALITY[window.quality]!}
          />{' '}
          <strong>{dates(window.opens, window.closes)}</strong>
          {WORK[window.work] ? ' (' + WORK[window.work] + ')' : ''}: {window.reason.text}{' '}
          <span className="source">({window.reason.source})</span>
        </li>
      ))}
    </ul>
  );
}

/** Windows as bars, keep-off as nothing, the stages of the year as ticks with their names. */
function KindYear({ kind }: { kind: Kind }) {
  const tall = 26;
  const rows = 3;
  const year = yearOf(kind, HEAD + tall + 8 + rows * 15 + 4, useNarrow());
  const shown = kind.stages.filter((stage) => stage.reached >= kind.from && stage.reached < kind.until);
  return (
    <div className="kind-year" data-scrolls tabIndex={0} role="region" aria-label="The year of this kind">
      <YearFrame year={year} label={'The year of ' + words(kind.species)}>
        <Bars year={year} windows={kind.windows} name={Words(kind.species)} y={HEAD + 2} tall={tall} />
        {[...shown]
          .sort((one, other) => one.reached.localeCompare(other.reached))
          .map((stage, i) => {
            const x = year.x(stage.reached);
            // From below upwards, so that a line seldom runs through the name of the stage before.
            const y = HEAD + tall + 18 + (rows - 1 - (i % rows)) * 15;
            return (
              <g key={stage.stage + stage.expected}>
                <line
                  x1={x}
                  x2={x}
                  y1={HEAD}
                  y2={y - 3}
                  stroke={stage.seen ? 'var(--ink)' : 'var(--bark-dark)'}
                />
                <text x={x + 3} y={y} fontSize={11.5} fill="var(--ink)" fontWeight={stage.seen ? 700 : 400}>
                  {stageName(stage.stage)}
                  {stage.seen ? ' (seen)' : ''}
                </text>
              </g>
            );
          })}
      </YearFrame>
      <details>
        <summary>The stages as dates</summary>
        <ul>
          {kind.stages.map((stage) => (
            <li key={stage.stage + stage.expected}>
              {Words(stageName(stage.stage))}: {date(stage.reached)}
              {stage.seen ? ', seen' : ''}
              {stage.reached !== stage.expected ? '; usually ' + date(stage.expected) : ''}
            </li>
          ))}
        </ul>
      </details>
    </div>
  );
}

function Sightings({ kind, siteId }: { kind: Kind; siteId: number }) {
  const back = useTakeBackSighting(siteId);
  const [all, setAll] = useState(false);
  if (kind.sightings.length === 0)
    return (
      <p className="faint">Nothing yet. What is noted here moves this year’s windows of the whole kind.</p>
    );
  const shown = all ? kind.sightings : kind.sightings.slice(0, 6);
  return (
    <>
      <ul>
        {shown.map((seen, i) => (
          <li key={i}>
            {date(seen.on)}: {seen.stage ? stageName(seen.stage) : 'still growing'}
            {seen.tag ? ', ' + seen.tag : ''} <span className="faint">{seen.by}</span>{' '}
            {seen.id != null ? (
              <Button
                size="sm"
                variant="link"
                className="p-0 align-baseline"
                onClick={() => back.mutate(seen.id!)}
              >
                Take back
              </Button>
            ) : (
              <span className="faint">on a walk</span>
            )}
          </li>
        ))}
      </ul>
      {kind.sightings.length > shown.length && (
        <Button size="sm" variant="link" className="p-0" onClick={() => setAll(true)}>
          and {kind.sightings.length - shown.length} more
        </Button>
      )}
      <ProblemAlert error={back.error} />
    </>
  );
}

/** Where practitioners differ: each way with its windows, side by side. */
function Schools({ kind, siteId }: { kind: Kind; siteId: number }) {
  if (kind.schools.length === 0) return null;
  const options = SCHOOLS[SCHOOL_OF[kind.species] ?? '']?.options ?? {};
  return (
    <section aria-label="Schools">
      <h2>Where practitioners differ</h2>
      {kind.note && <p>Why this site chose as it did: {kind.note}</p>}
      <div className="schools">
        {kind.schools.map((school) => (
          <div key={school.choice} className={school.chosen ? 'chosen' : ''}>
            <h3>
              {options[school.choice] ?? Words(school.choice)}
              {school.chosen ? ' (chosen here)' : ''}
            </h3>
            <Windows windows={school.windows.filter((window) => window.quality !== 'keep-off')} />
          </div>
        ))}
      </div>
      <Link className="btn btn-link p-0" to={'/sites/' + siteId + '/settings'}>
        Choose for this site
      </Link>
    </section>
  );
}

/** On what the kind bears, drawn, and what is done to it each year. */
function OwnWork({ species }: { species: string }) {
  const own = KIND_WORK[species];
  if (!own) return null;
  return (
    <section aria-label="Its own work" className="own-work">
      <h2>What it bears on, and its own work</h2>
      <div className="kind-columns">
        <div>
          <WoodDrawing bears={own.bears} />
          {own.buds && (
            <div className="d-flex flex-wrap gap-3">
              {Object.entries(BUD_NAMES).map(([code, name]) => (
                <figure key={code} className="mb-0 text-center small">
                  <BudDrawing buds={code} width={90} />
                  <figcaption>{name}</figcaption>
                </figure>
              ))}
            </div>
          )}
        </div>
        <div>
          <p>{own.on}</p>
          {own.work.length > 0 && (
            <ul>
              {own.work.map((one) => (
                <li key={one}>{one}</li>
              ))}
            </ul>
          )}
          <p className="small faint">
            Common practice. Where limbs or shoots are entered it is in the plan, a cut each.
          </p>
        </div>
      </div>
    </section>
  );
}
