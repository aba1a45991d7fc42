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
import { sendable, surveyItem } from '../field/items';
import { randomKey } from '../field/outbox';
import { asProblem, keepAndSend, outbox } from '../field/phone';
import { useFieldPack } from '../field/queries';
import { store } from '../field/store';
import { TwoVersions } from '../waiting/TwoVersions';
import { useWaiting } from '../field/useWaiting';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { useSurveys } from '../verdict/queries';
import { changeOpen, closeOpen, draftOf, emptyDraft, leaveOpen, openLimb, removeLimb } from './draft';
import type { Draft } from '../field/kept';
import { JudgeStep } from './JudgeStep';
import { kindAsks } from './kinds';
import { LimbEditor } from './LimbEditor';
import { LimbsStep, ThreeDsStep } from './LimbsStep';
import { SidesStep } from './SidesStep';
import { AroundStep } from './AroundStep';
import { TreeStep } from './TreeStep';
import { TrunkStep } from './TrunkStep';
import { VigourStep } from './VigourStep';
import { type Kept, useDraft } from './useDraft';
import { useWalkPlace } from './useWalkPlace';
import { isBush } from '../vocabulary/survey';

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
  const { draft, basedOn, change, place, kept, drop, two, choose, error, found } = useDraft(
    { treeId: tree.id, siteId, tag: tree.tag, basedOn: tree.newestSurvey },
    () => ({
      draft: tree.start ? draftOf(tree.start, today) : emptyDraft(today),
      basedOn: tree.newestSurvey,
    }),
  );
  const hadDraft = !!found;
  const { step, limb, goTo, openAt, closeLimb } = useWalkPlace(STEPS.length, draft, place);
  const [undo, setUndo] = useState<Partial<LimbFile>[]>();
  const [readError, setReadError] = useState<unknown>();
  const [refused, setRefused] = useState<Problem>();
  const [sending, setSending] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const at = '/sites/' + siteId + '/trees/' + tree.id;
  const bush = isBush(tree.species);

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
  const asks = kindAsks(tree.species, tree.form);
  const setTree = (part: Draft['tree']) => change((now) => ({ ...now, tree: { ...now.tree, ...part } }));

  /** Kept on the phone first, then sent; without signal it waits there. */
  const send = async () => {
    const key = randomKey();
    const walk = { key, treeId: tree.id, siteId, tag: tree.tag, survey: draft, basedOn };
    const item = await keepAndSend(surveyItem({ ...walk, person: currentPersonId() }));
    if (item.state === 'held' && item.refusal) {
      // What is to be mended is mended here, in the draft, which still stands.
      await outbox.drop(key);
      throw asProblem(item.refusal);
    }
    await drop(false);
    await queries.invalidateQueries({ queryKey: ['waiting'] });
    await navigate(
      item.state === 'sent'
        ? at
        : '/sites/' + siteId + (item.state === 'clash' ? '/waiting/' + key : '/walk'),
    );
    void queries.invalidateQueries();
  };
  const correct = async (id: number, version: number) => {
    unwrap(
      await api.PUT('/api/surveys/{surveyId}', {
        params: { path: { surveyId: id }, query: { version } },
        body: sendable(draft) as unknown as SurveyFile,
      }),
    );
    await drop(false);
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

  const editLimb = (start?: Partial<LimbFile>, faults?: LimbFile['faults']) => {
    const [next, id] = openLimb(draft, start, faults);
    if (next !== draft) change(() => next);
    openAt(id);
  };
  const doneLimb = (id: string, another: boolean) => {
    setUndo(undefined);
    const closed = closeOpen(draft, id);
    const [next, nextId] = another ? openLimb(closed) : [closed, undefined];
    change(() => next);
    closeLimb(nextId);
    window.scrollTo(0, 0);
  };
  const open = limb ? draft['x-open']?.[limb] : undefined;
  const pickStep = (pointer: string) => {
    const parts = pointer.split('/').slice(1);
    if (parts[0] === 'limbs' && draft.limbs[Number(parts[1])]) {
      editLimb(draft.limbs[Number(parts[1])]);
      return;
    }
    const name = parts[parts.length - 1] ?? '';
    goTo(
      parts[0] === 'surroundings'
        ? 6
        : parts[0] === 'limbs'
          ? 4
          : parts.includes('trunk')
            ? 2
            : VIGOUR.includes(name)
              ? 5
              : 1,
    );
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
      {kept === 'not kept' && (
        <Alert variant="danger">
          This phone cannot keep what you enter: it may be full. Make room, then change anything and it is
          kept.
        </Alert>
      )}
      {two && (
        <TwoVersions
          mine={two.here.draft}
          theirs={two.there.document}
          names={['On this phone', 'On another screen']}
          choose={(mine) => void choose(mine)}
        />
      )}
      <WaitsAlready treeId={tree.id} siteId={siteId} begun={hadDraft || kept !== 'nothing yet'} />
      <ProblemAlert error={readError} />
      {correcting.survey && (
        <p className="faint">Correcting the survey of {date(correcting.survey.surveyedOn)}.</p>
      )}
      {open && limb ? (
        <LimbEditor
          asks={asks}
          key={limb}
          open={open}
          change={(make) => change((now) => changeOpen(now, limb, make))}
          heightM={draft.tree.heightM}
          bush={bush}
          others={draft.limbs.filter((other) => open.isNew || other.id !== open.start.id)}
          onDone={(another) => doneLimb(limb, another)}
          onBack={() => closeLimb()}
          onLetGo={() => {
            change((now) => leaveOpen(now, limb));
            closeLimb();
          }}
          onRemove={
            open.isNew
              ? undefined
              : () => {
                  setUndo(draft.limbs);
                  change((now) => ({
                    ...leaveOpen(now, limb),
                    limbs: removeLimb(now.limbs, open.start.id ?? ''),
                  }));
                  closeLimb();
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
                onClick={() => goTo(i)}
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
              <SidesStep siteId={siteId} treeId={tree.id} tag={tree.tag} draft={draft} change={change} />
            </>
          )}
          {step === 1 && (
            <TreeStep draft={draft} today={today} bush={bush} change={change} setTree={setTree} />
          )}
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
              resume={openAt}
            />
          )}
          {step === 5 && (
            <VigourStep draft={draft} asks={asks} southern={southern} change={change} setTree={setTree} />
          )}
          {step === 6 && <AroundStep draft={draft} change={change} />}
          {step === 7 && (
            <JudgeStep
              draft={draft}
              today={today}
              bush={bush}
              go={pickStep}
              openLimb={openAt}
              change={change}
              refused={refused}
              sending={sending}
              correcting={!!correcting.survey}
              save={save}
              throwAway={() =>
                void drop(true).then(async () => {
                  await queries.invalidateQueries({ queryKey: ['waiting'] });
                  return navigate(at);
                })
              }
              cannotRead={setReadError}
            />
          )}
          <div className="walk-nav">
            {step > 0 ? (
              <Button variant="outline-secondary" onClick={() => goTo(step - 1)}>
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
                  goTo(step + 1);
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

/** A walk of this tree that waits to be sent: it can be changed as long as it has not gone. */
function WaitsAlready({ treeId, siteId, begun }: { treeId: number; siteId: number; begun: boolean }) {
  const waiting = useWaiting();
  const queries = useQueryClient();
  const item = waiting.data?.open.find((one) => one.kind === 'survey' && one.treeId === treeId);
  // Another walk that is begun is not written over.
  if (!item || begun) return null;
  const takeUp = async () => {
    const form = item.form as { draft: Draft; basedOn: number };
    await store.changeDraft(treeId, () => ({
      treeId,
      siteId,
      tag: item.about,
      person: item.person,
      draft: form.draft,
      basedOn: form.basedOn,
      version: 0,
      changed: true,
    }));
    await outbox.drop(item.key);
    await queries.invalidateQueries({ queryKey: ['waiting'] });
    location.reload();
  };
  return (
    <Alert variant="warning" className="py-2">
      A walk of this tree waits on this phone to be sent.{' '}
      <Button size="sm" variant="outline-primary" onClick={() => void takeUp()}>
        Change that one
      </Button>
    </Alert>
  );
}

/** What is asked at the step of vigour. */
const VIGOUR = [
  'shootExtensionCm',
  'waterSprouts',
  'leafDensity',
  'youngShoots',
  'rootSuckers',
  'stillGrowing',
  'yearsSinceCut',
  'lastCut',
  'removedLast12Months',
  'hasFruited',
  'on',
  'bbch',
];

const KEPT: Record<Kept, string> = {
  'nothing yet': '',
  keeping: 'keeping…',
  kept: 'draft kept',
  'on this phone': 'kept on this phone',
  'not kept': 'not kept',
};
