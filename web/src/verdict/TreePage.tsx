import { type KeyboardEvent, useState } from 'react';
import { Button, ButtonGroup } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Judgement, LimbAnswer, Tree, Worded } from '../api/client';
import { useTree } from '../orchard/queries';
import { FORMS, TRIAGE, TRIAGE_MEANS } from '../orchard/words';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { Reasons, State } from '../parts/Reasons';
import {
  centimetres,
  compass,
  date,
  dates,
  dateTime,
  metres,
  minutes,
  percent,
  words,
} from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { PlanLanes } from '../plan/PlanLanes';
import { standingAfter, type View } from './projection';
import { useHistory, useJudgement, useMayCut, useSurveys } from './queries';
import { TreeDrawing } from './TreeDrawing';
import {
  CUT_MEANS,
  CUTS,
  ENTITIES,
  MAY_CUT,
  ON_A_DAY,
  REACHES,
  TECHNIQUES,
  TICKETS,
  TOOLS,
  VERDICTS,
  VIGOURS,
} from './words';

const SIDES = [180, 270, 0, 90];

/** One tree: drawn, judged, planned, and what was done about it so far. */
export function TreePage() {
  const treeId = Number(useParams().treeId);
  const tree = useTree(treeId);
  const judgement = useJudgement(treeId, !!tree.data?.survey);
  useTitle(tree.data && tree.data.data.tag + ' ' + words(tree.data.data.species));
  if (!tree.data) return <Loading error={tree.error} />;
  const { data, survey } = tree.data;
  const at = '/sites/' + tree.data.siteId + '/trees/' + treeId;
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3">
        <h1 className="mb-0">
          {data.tag} <small>{words(data.species)}</small>
          {data.cultivar && <small className="faint"> {data.cultivar}</small>}
        </h1>
        <span className="faint">{facts(tree.data)}</span>
        <span className="ms-auto d-flex gap-2 no-print">
          <Link className="btn btn-sm btn-primary" to={at + '/walk'}>
            {survey ? 'Walk again' : 'Walk'}
          </Link>
          <Link className="btn btn-sm btn-outline-primary" to={at + '/edit'}>
            Edit
          </Link>
        </span>
      </div>
      {data.note && <p className="mb-1">{data.note}</p>}
      {!survey && (
        <p className="mt-3">
          Nobody has walked to this tree yet. <Link to={at + '/walk'}>Walk it now</Link>: its measures, then
          its limbs, thickest first. The judgement comes at once.
        </p>
      )}
      {!survey && <OnAnotherDay treeId={treeId} />}
      {survey &&
        (judgement.data ? (
          <Judged judgement={judgement.data} treeId={treeId} />
        ) : (
          <Loading error={judgement.error} />
        ))}
      <Records treeId={treeId} at={at} />
    </>
  );
}

function facts(tree: Tree): string {
  const parts = [];
  if (tree.data.plantedYear) parts.push('planted ' + tree.data.plantedYear);
  if (tree.data.rootstock) parts.push('on ' + tree.data.rootstock);
  if (tree.survey)
    parts.push(
      metres(tree.survey.heightM) + ' high',
      metres(tree.survey.spreadM) + ' wide',
      'girth ' + tree.survey.trunkGirthCm + ' cm',
    );
  return parts.join(', ');
}

/** May it be cut on another day? */
function OnAnotherDay({ treeId }: { treeId: number }) {
  const [day, setDay] = useState('');
  const answer = useMayCut(treeId, day);
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
      {day && answer.data && (
        <span aria-live="polite">
          <State code={answer.data.mayCut} word={ON_A_DAY[answer.data.mayCut]!} />{' '}
          {answer.data.mayCut === 'no' ? 'Next: ' : 'Window: '}
          {dates(answer.data.nextOpens, answer.data.nextCloses)}. {answer.data.reasons[0]?.text}
        </span>
      )}
      <ProblemAlert error={answer.error} />
    </div>
  );
}

function Judged({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
  const { evaluation, drawing } = judgement;
  const [params, setParams] = useSearchParams();
  const [after, setAfter] = useState(0);
  const view: View = params.get('view') === 'above' ? 'above' : Number(params.get('view') ?? 180);
  const picked = params.get('limb') ?? undefined;
  const set = (key: string, value: string) =>
    setParams(
      (now) => {
        now.set(key, value);
        return now;
      },
      { replace: true },
    );
  const limbs = new Map(evaluation.limbs.map((limb) => [limb.id, limb]));
  const years = [...new Set(evaluation.plan.map((lane) => lane.year))];
  const labels = new Map(evaluation.plan.map((lane) => [lane.year, lane.yearLabel]));
  const upTo = after === 0 ? -1 : (years[after - 1] ?? -1);
  const standing = standingAfter(
    drawing,
    evaluation.plan.filter((lane) => lane.year <= upTo),
  );
  const turn = (step: number) => set('view', String(((view === 'above' ? 180 : view) + step + 360) % 360));
  const keys = (e: KeyboardEvent) => {
    const step = {
      ArrowLeft: () => turn(45),
      ArrowRight: () => turn(-45),
      ArrowUp: () => setAfter(Math.min(years.length, after + 1)),
      ArrowDown: () => setAfter(Math.max(0, after - 1)),
    }[e.key];
    if (!step) return;
    e.preventDefault();
    step();
  };
  const pickedLimb = picked ? limbs.get(picked) : undefined;
  return (
    <>
      <Triage judgement={judgement} treeId={treeId} />
      <div className="tree-page">
        <div>
          <div className="d-flex flex-wrap gap-2 mb-1 align-items-center no-print">
            <ButtonGroup size="sm" aria-label="Side">
              <Button variant="outline-secondary" aria-label="Walk left" onClick={() => turn(45)}>
                <i className="bi bi-arrow-left" aria-hidden="true" />
              </Button>
              {SIDES.map((side) => (
                <Button
                  key={side}
                  variant={view === side ? 'secondary' : 'outline-secondary'}
                  aria-pressed={view === side}
                  onClick={() => set('view', String(side))}
                >
                  from {compass(side)}
                </Button>
              ))}
              <Button
                variant={view === 'above' ? 'secondary' : 'outline-secondary'}
                aria-pressed={view === 'above'}
                onClick={() => set('view', 'above')}
              >
                above
              </Button>
              <Button variant="outline-secondary" aria-label="Walk right" onClick={() => turn(-45)}>
                <i className="bi bi-arrow-right" aria-hidden="true" />
              </Button>
            </ButtonGroup>
            {years.length > 0 && (
              <ButtonGroup size="sm" aria-label="Time">
                {[0, ...years].map((year, i) => (
                  <Button
                    key={year}
                    variant={after === i ? 'secondary' : 'outline-secondary'}
                    aria-pressed={after === i}
                    onClick={() => setAfter(i)}
                  >
                    {i === 0 ? 'now' : 'after ' + labels.get(year)}
                  </Button>
                ))}
              </ButtonGroup>
            )}
          </div>
          <div
            tabIndex={0}
            onKeyDown={keys}
            role="application"
            aria-label="Drawing: left and right arrows walk round the tree, up and down step through the years"
          >
            <TreeDrawing
              drawing={drawing}
              limbs={limbs}
              standing={standing}
              view={view}
              picked={picked}
              onPick={(id) => set('limb', id)}
              showCuts={after === 0}
            />
          </div>
          <p className="small faint mb-0">
            {view === 'above' ? 'Seen from above.' : 'Seen from the ' + compass(view) + '.'} Teeth: comes off.
            Bar: shortened. Arc: bent. Hatched: dead. Leaf is shown as a soft cloud.
          </p>
        </div>
        <div>
          {pickedLimb ? (
            <LimbVerdict limb={pickedLimb} judgement={judgement} />
          ) : (
            <p className="faint">Pick a limb in the drawing or the list for its verdict and why.</p>
          )}
          <Cautions cautions={evaluation.cautions} />
          <LimbList
            limbs={evaluation.limbs}
            judgement={judgement}
            picked={picked}
            onPick={(id) => set('limb', id)}
          />
        </div>
      </div>
      <div className="mt-3">
        <PlanLanes evaluation={evaluation} picked={picked} onPick={(id) => set('limb', id)} />
      </div>
    </>
  );
}

function Triage({ judgement, treeId }: { judgement: Judgement; treeId: number }) {
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

/** Shown beside the verdicts, where it is decided what to cut. */
function Cautions({ cautions }: { cautions: Worded[] }) {
  if (cautions.length === 0) return null;
  return (
    <section className="caution-list mb-2" aria-label="Take care">
      <ul>
        {cautions.map((caution, i) => (
          <li key={i}>{caution.text}</li>
        ))}
      </ul>
    </section>
  );
}

/** When the plan does something to a limb. */
function turns(judgement: Judgement, limb: string): string {
  return judgement.evaluation.plan
    .flatMap((lane) =>
      lane.cuts.filter((cut) => cut.limb === limb).map((cut) => VERDICTS[cut.kind] + ' ' + lane.yearLabel),
    )
    .join(', ');
}

function LimbVerdict({ limb, judgement }: { limb: LimbAnswer; judgement: Judgement }) {
  const cut = limb.cut;
  return (
    <section className="limb-verdict" aria-label={'Limb ' + limb.id} aria-live="polite">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <h2 className="mb-0">{limb.id}</h2>
        <State code={limb.verdict} word={VERDICTS[limb.verdict]!} />
        {limb.urgent && <State code="urgent" word="urgent" />}
        <span className="faint">{percent(limb.crownShare)} of the crown</span>
      </div>
      <Reasons reasons={limb.reasons} />
      {cut && (
        <p className="mb-0">
          <strong title={CUT_MEANS[cut.kind]}>{CUTS[cut.kind]}</strong>
          {cut.sideBranch ? ' ' + cut.sideBranch : ''},{' '}
          {cut.kind === 'bend' ? '' : centimetres(cut.diameterCm) + ' wide, '}
          {metres(cut.heightM)} up, {TOOLS[cut.tool]}, {REACHES[cut.reach]}; {TECHNIQUES[cut.technique]};{' '}
          {cut.weightKg >= 1 ? 'about ' + Math.round(cut.weightKg) + ' kg; ' : ''}
          {minutes(cut.minutes)}.{cut.big && ' A big cut.'}{' '}
          {cut.tickets.map((ticket) => (
            <State
              key={ticket}
              code={ticket === 'arborist' ? 'urgent' : 'with-care'}
              word={TICKETS[ticket]!}
            />
          ))}
          <br />
          <span className="faint small">{CUT_MEANS[cut.kind]}</span>
        </p>
      )}
      {turns(judgement, limb.id) && <p className="mb-0">Planned: {turns(judgement, limb.id)}.</p>}
    </section>
  );
}

function LimbList({
  limbs,
  judgement,
  picked,
  onPick,
}: {
  limbs: LimbAnswer[];
  judgement: Judgement;
  picked?: string;
  onPick: (id: string) => void;
}) {
  const drawn = new Map(judgement.drawing.limbs.map((limb) => [limb.id, limb]));
  return (
    <div className="limb-list-wrap" tabIndex={0} role="region" aria-label="Limbs">
      <table className="table table-sm limb-list mb-0">
        <thead>
          <tr>
            <th>Limb</th>
            <th className="num">Width</th>
            <th className="num">Crown</th>
            <th>Verdict</th>
            <th>Planned</th>
          </tr>
        </thead>
        <tbody>
          {limbs.map((limb) => (
            <tr key={limb.id} className={limb.id === picked ? 'picked' : ''} onClick={() => onPick(limb.id)}>
              <td>
                <button type="button" className="btn btn-link p-0" onClick={() => onPick(limb.id)}>
                  {limb.id}
                </button>
              </td>
              <td className="num">{centimetres(drawn.get(limb.id)?.diameterCm ?? 0)}</td>
              <td className="num">{percent(limb.crownShare)}</td>
              <td>
                <State code={limb.verdict} word={VERDICTS[limb.verdict]!} />
                {limb.urgent && (
                  <>
                    {' '}
                    <State code="urgent" word="urgent" />
                  </>
                )}
              </td>
              <td>{turns(judgement, limb.id).replace(/^[a-z]+ (\S+)$/, '$1')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Records({ treeId, at }: { treeId: number; at: string }) {
  const surveys = useSurveys(treeId);
  const history = useHistory(treeId);
  return (
    <div className="row mt-4">
      <section className="col-md-6" aria-label="Surveys">
        <h2>Surveys</h2>
        {surveys.data?.length === 0 && <p className="faint">None yet.</p>}
        <ul className="list-unstyled">
          {surveys.data?.map((survey, i) => (
            <li key={survey.id} className="mb-1">
              {date(survey.surveyedOn)} by {survey.surveyedBy}:{' '}
              <State code={survey.triage} word={TRIAGE[survey.triage]!} />{' '}
              <a href={'/api/surveys/' + survey.id + '/file'} download>
                survey file
              </a>
              {i === 0 && (
                <>
                  {', '}
                  <Link to={at + '/walk?correct=' + survey.id}>correct it</Link>
                </>
              )}
            </li>
          ))}
        </ul>
      </section>
      <section className="col-md-6" aria-label="History">
        <h2>History</h2>
        <ul className="list-unstyled">
          {history.data?.map((entry) => (
            <li key={entry.id}>
              <span className="faint">{dateTime(entry.at)}</span> {ENTITIES[entry.entity]} {entry.action}
              {entry.who ? ' by ' + entry.who : ''}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
