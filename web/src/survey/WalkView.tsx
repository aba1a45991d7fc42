import { useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import {
  api,
  currentPersonId,
  type FieldTree,
  type LimbFile,
  Problem,
  type SurveyFile,
  unwrap,
} from '../api/client';
import { useFieldPack } from '../field/queries';
import { sendSurvey } from '../field/sending';
import { store } from '../field/store';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { useSurveys } from '../verdict/queries';
import { type Draft, draftOf, emptyDraft, nextTag, removeLimb, replaceLimb } from './draft';
import { JudgeStep } from './JudgeStep';
import { LimbEditor } from './LimbEditor';
import { LimbsStep, ThreeDsStep } from './LimbsStep';
import { SidesStep } from './SidesStep';
import { AroundStep, TreeStep, TrunkStep, VigourStep } from './steps';
import { type Kept, useDraft } from './useDraft';

const STEPS = ['Sides', 'Tree', 'Trunk', '3 Ds', 'Limbs', 'Vigour', 'Around', 'Judge'] as const;

/** The survey on a phone: once round the tree, its trunk, the three Ds, its limbs, its vigour, and the judgement. */
export function WalkView() {
  const params = useParams();
  const treeId = Number(params.treeId);
  const pack = useFieldPack(Number(params.siteId));
  const [begun, setBegun] = useState<Begun>();
  useTitle(begun && 'Walk ' + begun.tree.tag);
  // A walk goes on with what it began from. What comes in meanwhile, perhaps an older answer kept on the phone, must
  // not take the surveyor out of the middle of it.
  if (begun?.tree.id !== treeId) {
    const tree = pack.data?.trees.find((one) => one.id === treeId);
    if (pack.data && tree) setBegun({ ...pack.data, tree });
    else if (!pack.data || pack.isFetching) return <Loading error={pack.error} />;
    else return <p>This tree is not among those that stand here.</p>;
    return null;
  }
  return <Walk key={treeId} {...begun} />;
}

/** What a walk starts from. */
interface Begun {
  tree: FieldTree;
  siteId: number;
  today: string;
  southern: boolean;
}

async function fileOf(surveyId: number): Promise<SurveyFile> {
  return unwrap(
    await api.GET('/api/surveys/{surveyId}/file', { params: { path: { surveyId } } }),
  ) as SurveyFile;
}

/** A survey being corrected; asked for only then. */
function useCorrecting(treeId: number) {
  const [params] = useSearchParams();
  const wanted = Number(params.get('correct')) || undefined;
  const surveys = useSurveys(treeId, wanted !== undefined);
  return { wanted, survey: surveys.data?.find((one) => one.id === wanted), error: surveys.error };
}

function Walk({ tree, siteId, today, southern }: Begun) {
  const correcting = useCorrecting(tree.id);
  const { draft, basedOn, change, kept, drop, error, hadDraft } = useDraft(tree.id, () => ({
    draft: tree.start ? draftOf(tree.start, today) : emptyDraft(today),
    basedOn: tree.newestSurvey,
  }));
  const [step, setStep] = useState(0);
  const [limb, setLimb] = useState<{ start: Partial<LimbFile>; isNew: boolean }>();
  const [undo, setUndo] = useState<Partial<LimbFile>[]>();
  const [readError, setReadError] = useState<unknown>();
  const [refused, setRefused] = useState<Problem>();
  const [sending, setSending] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const at = '/sites/' + siteId + '/trees/' + tree.id;

  const loaded = useRef(false);
  useEffect(() => {
    if (!correcting.survey || !draft || hadDraft || loaded.current) return;
    loaded.current = true;
    fileOf(correcting.survey.id)
      .then((file) => change(() => draftOf(file, file.surveyedOn ?? today)))
      .catch(setReadError);
  }, [correcting.survey, draft, hadDraft, change, today]);

  if (!draft || (correcting.wanted && !correcting.survey))
    return <Loading error={error ?? correcting.error} />;
  const setTree = (part: Draft['tree']) => change((now) => ({ ...now, tree: { ...now.tree, ...part } }));

  /** Kept on the phone first, then sent; without signal it waits there. */
  const send = async () => {
    const waiting = {
      key: crypto.randomUUID(),
      treeId: tree.id,
      siteId,
      tag: tree.tag,
      person: currentPersonId(),
      survey: draft,
      basedOn,
    };
    await store.keepSurvey(waiting);
    const outcome = await sendSurvey(waiting);
    const held = (await store.surveys()).find((one) => one.key === waiting.key)?.held;
    if (outcome === 'held' && held && held.status !== 409) {
      // What is to be mended is mended here, in the draft.
      await store.dropSurvey(waiting.key);
      throw new Problem(held.status, held.detail, held.errors);
    }
    await drop();
    await queries.invalidateQueries();
    if (outcome === 'taken') return navigate(at);
    return navigate(
      outcome === 'held' ? '/sites/' + siteId + '/walk/' + waiting.key : '/sites/' + siteId + '/walk',
    );
  };
  const correct = async (id: number, version: number) => {
    unwrap(
      await api.PUT('/api/surveys/{surveyId}', {
        params: { path: { surveyId: id }, query: { version } },
        body: draft as unknown as SurveyFile,
      }),
    );
    await drop();
    await queries.invalidateQueries();
    return navigate(at);
  };
  const save = () => {
    setSending(true);
    setRefused(undefined);
    void Promise.resolve(
      correcting.survey ? correct(correcting.survey.id, correcting.survey.version) : send(),
    )
      .catch((wrong: unknown) =>
        setRefused(wrong instanceof Problem ? wrong : new Problem(0, 'It could not be kept on this phone.')),
      )
      .finally(() => setSending(false));
  };

  const editLimb = (start?: Partial<LimbFile>, faults?: LimbFile['faults']) =>
    setLimb(
      start
        ? { start, isNew: false }
        : { start: { id: nextTag(draft.limbs), ...(faults ? { faults } : {}) }, isNew: true },
    );
  const doneLimb = (changed: Partial<LimbFile>, another: boolean) => {
    const limbs = limb?.isNew
      ? [...draft.limbs, changed]
      : replaceLimb(draft.limbs, limb?.start.id ?? '', changed);
    change((now) => ({ ...now, limbs }));
    setUndo(undefined);
    setLimb(another ? { start: { id: nextTag(limbs) }, isNew: true } : undefined);
    window.scrollTo(0, 0);
  };

  return (
    <div className="walk">
      <div className="d-flex align-items-baseline gap-2 mb-2">
        <h1 className="mb-0">
          {tree.tag} <small>{words(tree.species)}</small>
        </h1>
        <span className="faint small ms-auto" aria-live="polite">
          {KEPT[kept]}
        </span>
      </div>
      {kept === 'newer elsewhere' && (
        <Alert variant="warning">
          This draft was changed on another screen. What you typed is kept on this phone.{' '}
          <Button size="sm" onClick={() => void store.dropDraft(tree.id).then(() => location.reload())}>
            Load the other one instead
          </Button>
        </Alert>
      )}
      <ProblemAlert error={readError} />
      {correcting.survey && (
        <p className="faint">Correcting the survey of {date(correcting.survey.surveyedOn)}.</p>
      )}
      {limb ? (
        <LimbEditor
          key={(limb.start.id ?? '') + draft.limbs.length}
          start={limb.start}
          isNew={limb.isNew}
          heightM={draft.tree.heightM}
          others={draft.limbs.filter((other) => limb.isNew || other.id !== limb.start.id)}
          onDone={doneLimb}
          onLeave={() => setLimb(undefined)}
          onRemove={
            limb.isNew
              ? undefined
              : () => {
                  setUndo(draft.limbs);
                  change((now) => ({ ...now, limbs: removeLimb(now.limbs, limb.start.id ?? '') }));
                  setLimb(undefined);
                }
          }
        />
      ) : (
        <>
          <div className="steps" role="tablist" aria-label="Steps of the walk">
            {STEPS.map((name, i) => (
              <button
                key={name}
                type="button"
                role="tab"
                aria-selected={step === i}
                className={step === i ? 'active' : ''}
                onClick={() => setStep(i)}
              >
                {name}
              </button>
            ))}
          </div>
          {step === 0 && (
            <>
              {tree.surveyedOn && !correcting.survey && !hadDraft && (
                <p className="faint">
                  Starts from the walk of {date(tree.surveyedOn)} and what was cut since.{' '}
                  <Button
                    size="sm"
                    variant="link"
                    className="p-0 align-baseline"
                    onClick={() => change(() => emptyDraft(today))}
                  >
                    Start empty
                  </Button>
                </p>
              )}
              <SidesStep treeId={tree.id} draft={draft} change={change} />
            </>
          )}
          {step === 1 && <TreeStep draft={draft} today={today} change={change} setTree={setTree} />}
          {step === 2 && <TrunkStep draft={draft} setTree={setTree} />}
          {step === 3 && <ThreeDsStep draft={draft} editLimb={editLimb} />}
          {step === 4 && (
            <LimbsStep
              draft={draft}
              undo={
                undo &&
                (() => {
                  change((now) => ({ ...now, limbs: undo }));
                  setUndo(undefined);
                })
              }
              change={change}
              editLimb={editLimb}
            />
          )}
          {step === 5 && <VigourStep draft={draft} southern={southern} change={change} setTree={setTree} />}
          {step === 6 && <AroundStep draft={draft} change={change} />}
          {step === 7 && (
            <JudgeStep
              draft={draft}
              today={today}
              change={change}
              refused={refused}
              sending={sending}
              correcting={!!correcting.survey}
              save={save}
              throwAway={() => void drop().then(() => navigate(at))}
              cannotRead={setReadError}
            />
          )}
          <div className="walk-nav">
            {step > 0 ? (
              <Button variant="outline-secondary" onClick={() => setStep(step - 1)}>
                Back
              </Button>
            ) : (
              <Link
                className="btn btn-outline-secondary d-flex align-items-center justify-content-center"
                to={at}
              >
                Leave
              </Link>
            )}
            {step < STEPS.length - 1 && (
              <Button
                onClick={() => {
                  setStep(step + 1);
                  window.scrollTo(0, 0);
                }}
              >
                Next: {STEPS[step + 1]}
              </Button>
            )}
          </div>
        </>
      )}
    </div>
  );
}

const KEPT: Record<Kept, string> = {
  'nothing yet': '',
  keeping: 'keeping…',
  kept: 'draft kept',
  'on this phone': 'kept on this phone',
  'newer elsewhere': '',
};
