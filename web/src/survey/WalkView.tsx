import { useState } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { FieldTree, LimbFile } from '../api/client';
import type { Draft } from '../field/kept';
import { useFieldPack } from '../field/queries';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { isBush } from '../vocabulary/survey';
import { TwoVersions } from '../waiting/TwoVersions';
import { AroundStep } from './AroundStep';
import { changeOpen, closeOpen, draftOf, emptyDraft, leaveOpen, openLimb, removeLimb } from './draft';
import { JudgeStep } from './JudgeStep';
import { type KindAsks, kindAsks } from './kinds';
import { LimbEditor } from './LimbEditor';
import { LimbsStep, ThreeDsStep } from './LimbsStep';
import { SidesStep } from './SidesStep';
import { TreeStep } from './TreeStep';
import { TrunkStep } from './TrunkStep';
import { useCorrecting, useStartFrom } from './useCorrecting';
import { type Kept, useDraft } from './useDraft';
import { useSendWalk } from './useSendWalk';
import { useWalkPlace } from './useWalkPlace';
import { VigourStep } from './VigourStep';
import { WaitsAlready } from './WaitsAlready';

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
  const at = '/sites/' + siteId + '/trees/' + tree.id;
  const bush = isBush(tree.species);

  useStartFrom(
    correcting.survey?.id,
    !draft || hadDraft,
    (file) => change(() => draftOf(file, file.surveyedOn ?? today)),
    setReadError,
  );
  const { save, throwAway, refused, sending } = useSendWalk({
    tree,
    siteId,
    draft,
    basedOn,
    drop,
    correcting: correcting.survey,
  });

  if (!draft || (correcting.wanted && !correcting.survey))
    return <Loading error={error ?? correcting.error} />;
  const asks = kindAsks(tree.species, tree.form);
  const setTree = (part: Draft['tree']) => change((now) => ({ ...now, tree: { ...now.tree, ...part } }));

  const editLimb = (start?: Partial<LimbFile>, faults?: LimbFile['faults']) => {
    let key = '';
    change((now) => {
      const [next, opened] = openLimb(now, start, faults);
      key = opened;
      return next;
    });
    openAt(key);
  };
  const doneLimb = (key: string, another: boolean) => {
    setUndo(undefined);
    let nextKey: string | undefined;
    change((now) => {
      const closed = closeOpen(now, key);
      if (!another) return closed;
      const [next, opened] = openLimb(closed);
      nextKey = opened;
      return next;
    });
    closeLimb(nextKey);
    window.scrollTo(0, 0);
  };
  const open = limb ? draft['x-open']?.[limb] : undefined;
  const pickStep = (pointer: string) => {
    const parts = pointer.split('/').slice(1);
    if (parts[0] === 'limbs' && draft.limbs[Number(parts[1])]) {
      editLimb(draft.limbs[Number(parts[1])]);
      return;
    }
    goTo(stepOf(parts));
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
      {kept === 'not kept' && <CannotKeep />}
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
        <OpenedLimb
          draft={draft}
          limb={limb}
          bush={bush}
          asks={asks}
          change={change}
          done={(another) => doneLimb(limb, another)}
          close={closeLimb}
          removed={setUndo}
        />
      ) : (
        <>
          <StepTabs step={step} goTo={goTo} />
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
              throwAway={() => void throwAway()}
              cannotRead={setReadError}
            />
          )}
          <StepNav step={step} goTo={goTo} leave={at} />
        </>
      )}
    </div>
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

/** At which step what the server names is asked. */
function stepOf(parts: string[]): number {
  if (parts[0] === 'surroundings') return 6;
  if (parts[0] === 'limbs') return 4;
  if (parts.includes('trunk')) return 2;
  return VIGOUR.includes(parts[parts.length - 1] ?? '') ? 5 : 1;
}

function StepTabs({ step, goTo }: { step: number; goTo: (step: number) => void }) {
  return (
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
  );
}

function StepNav({ step, goTo, leave }: { step: number; goTo: (step: number) => void; leave: string }) {
  return (
    <div className="walk-nav">
      {step > 0 ? (
        <Button variant="outline-secondary" onClick={() => goTo(step - 1)}>
          Back
        </Button>
      ) : (
        <Link
          className="btn btn-outline-secondary d-flex align-items-center justify-content-center"
          to={leave}
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
  );
}

function CannotKeep() {
  return (
    <Alert variant="danger">
      This phone cannot keep what you enter: it may be full. Make room, then change anything and it is kept.
    </Alert>
  );
}

/** A limb that is being entered or changed. */
function OpenedLimb({
  draft,
  limb,
  bush,
  asks,
  change,
  done,
  close,
  removed,
}: {
  draft: Draft;
  limb: string;
  bush: boolean;
  asks: KindAsks;
  change: (make: (now: Draft) => Draft) => void;
  done: (another: boolean) => void;
  close: () => void;
  /** Told what stood before it was taken out. */
  removed: (before: Partial<LimbFile>[]) => void;
}) {
  const open = draft['x-open']![limb]!;
  return (
    <LimbEditor
      asks={asks}
      key={limb}
      open={open}
      change={(make) => change((now) => changeOpen(now, limb, make))}
      heightM={draft.tree.heightM}
      bush={bush}
      others={draft.limbs.filter((other) => open.isNew || other.id !== open.start.id)}
      onDone={done}
      onBack={close}
      onLetGo={() => {
        change((now) => leaveOpen(now, limb));
        close();
      }}
      onRemove={
        open.isNew
          ? undefined
          : () => {
              removed(draft.limbs);
              change((now) => ({
                ...leaveOpen(now, limb),
                limbs: removeLimb(now.limbs, open.start.id ?? ''),
              }));
              close();
            }
      }
    />
  );
}
