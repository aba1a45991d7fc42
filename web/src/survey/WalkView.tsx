import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import { api, type LimbFile, Problem, type Survey, type SurveyFile, type Tree, unwrap } from '../api/client';
import { useSite, useTree } from '../orchard/queries';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { centimetres, date, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { type Draft, draftOf, emptyDraft, nextTag, removeLimb, replaceLimb, thickestFirst } from './draft';
import { Chips } from './inputs';
import { LimbEditor } from './LimbEditor';
import { AroundStep, Summary, TreeStep, TrunkStep } from './steps';
import { useDraft } from './useDraft';
import { FAULTS, fieldName } from './words';
import { useSurveys } from '../verdict/queries';

const STEPS = ['Tree', 'Trunk', 'Limbs', 'Around', 'Judge'] as const;

/** The survey on a phone: the whole tree, its trunk, its limbs thickest first, and the judgement at once. */
export function WalkView() {
  const params = useParams();
  const treeId = Number(params.treeId);
  const tree = useTree(treeId);
  const site = useSite(Number(params.siteId));
  const surveys = useSurveys(treeId);
  useTitle(tree.data && 'Walk ' + tree.data.data.tag);
  if (!tree.data || !site.data || !surveys.data)
    return <Loading error={tree.error ?? site.error ?? surveys.error} />;
  return <Walk tree={tree.data} today={site.data.today} last={surveys.data[0]} />;
}

async function fileOf(survey: Survey): Promise<SurveyFile> {
  return unwrap(
    await api.GET('/api/surveys/{surveyId}/file', { params: { path: { surveyId: survey.id } } }),
  ) as SurveyFile;
}

function Walk({ tree, today, last }: { tree: Tree; today: string; last?: Survey }) {
  const [params] = useSearchParams();
  const correcting = last && params.get('correct') === String(last.id) ? last : undefined;
  const { draft, change, kept, drop, error, hadDraft } = useDraft(tree.id, () => emptyDraft(today));
  const [step, setStep] = useState(0);
  const [limb, setLimb] = useState<{ start: Partial<LimbFile>; isNew: boolean }>();
  const [undo, setUndo] = useState<Partial<LimbFile>[]>();
  const [readError, setReadError] = useState<unknown>();
  const upload = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const at = '/sites/' + tree.siteId + '/trees/' + tree.id;

  const loaded = useRef(false);
  useEffect(() => {
    if (!correcting || !draft || hadDraft || loaded.current) return;
    loaded.current = true;
    fileOf(correcting)
      .then((file) => change(() => draftOf(file, file.surveyedOn ?? today)))
      .catch(setReadError);
  }, [correcting, draft, hadDraft, change, today]);

  const save = useMutation({
    mutationFn: async (survey: Draft) => {
      const body = survey as unknown as SurveyFile;
      return correcting
        ? unwrap(
            await api.PUT('/api/surveys/{surveyId}', {
              params: { path: { surveyId: correcting.id }, query: { version: correcting.version } },
              body,
            }),
          )
        : unwrap(
            await api.POST('/api/trees/{treeId}/surveys', { params: { path: { treeId: tree.id } }, body }),
          );
    },
    onSuccess: async () => {
      await queries.invalidateQueries();
      navigate(at);
    },
  });

  if (!draft) return <Loading error={error} />;
  const setTree = (part: Draft['tree']) => change((now) => ({ ...now, tree: { ...now.tree, ...part } }));
  const fromFile = async (file: File) => {
    try {
      const read = JSON.parse(await file.text()) as SurveyFile;
      if (read.format !== 'diligent-bough/survey') throw new Problem(0, 'This is not a survey file.');
      change(() => draftOf(read, read.surveyedOn ?? today));
      setReadError(undefined);
    } catch (wrong) {
      setReadError(
        wrong instanceof Problem ? wrong : new Problem(0, 'This file cannot be read as a survey file.'),
      );
    }
  };
  const editLimb = (start?: Partial<LimbFile>) =>
    setLimb(start ? { start, isNew: false } : { start: { id: nextTag(draft.limbs) }, isNew: true });
  const doneLimb = (changed: Partial<LimbFile>, another: boolean) => {
    const limbs = limb?.isNew
      ? [...draft.limbs, changed]
      : replaceLimb(draft.limbs, limb?.start.id ?? '', changed);
    change((now) => ({ ...now, limbs }));
    setUndo(undefined);
    setLimb(
      another
        ? { start: { id: nextTag(limbs, changed.parent), parent: changed.parent }, isNew: true }
        : undefined,
    );
    window.scrollTo(0, 0);
  };

  return (
    <div className="walk">
      <div className="d-flex align-items-baseline gap-2 mb-2">
        <h1 className="mb-0">
          {tree.data.tag} <small>{words(tree.data.species)}</small>
        </h1>
        <span className="faint small ms-auto" aria-live="polite">
          {KEPT[kept]}
        </span>
      </div>
      {kept === 'newer elsewhere' && (
        <Alert variant="warning">
          This draft was changed on another screen. What you typed here is still here, but not kept.{' '}
          <Button size="sm" onClick={() => location.reload()}>
            Load the newer one
          </Button>
        </Alert>
      )}
      <ProblemAlert error={readError} />
      {correcting && <p className="faint">Correcting the survey of {date(correcting.surveyedOn)}.</p>}
      {limb ? (
        <LimbEditor
          key={(limb.start.id ?? '') + draft.limbs.length}
          start={limb.start}
          isNew={limb.isNew}
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
              {last && !correcting && draft.limbs.length === 0 && (
                <Alert variant="light" className="py-2">
                  Walked last on {date(last.surveyedOn)}.{' '}
                  <Button
                    size="sm"
                    variant="outline-primary"
                    onClick={() =>
                      void fileOf(last)
                        .then((file) => change(() => draftOf(file, today)))
                        .catch(setReadError)
                    }
                  >
                    Start from that survey
                  </Button>
                </Alert>
              )}
              <TreeStep draft={draft} today={today} change={change} setTree={setTree} />
            </>
          )}
          {step === 1 && <TrunkStep draft={draft} setTree={setTree} />}
          {step === 2 && (
            <>
              <p className="faint">Dead, diseased and damaged wood first; then the limbs, thickest first.</p>
              {undo && (
                <Alert variant="light" className="py-2">
                  Taken out.{' '}
                  <Button
                    size="sm"
                    variant="outline-primary"
                    onClick={() => {
                      change((now) => ({ ...now, limbs: undo }));
                      setUndo(undefined);
                    }}
                  >
                    Undo
                  </Button>
                </Alert>
              )}
              {thickestFirst(draft.limbs).map((one) => (
                <button key={one.id} type="button" className="limb-row" onClick={() => editLimb(one)}>
                  <span className="tag">{one.id}</span>
                  <span className="flex-grow-1">
                    {one.diameterCm === undefined ? '' : centimetres(one.diameterCm)}
                    {one.parent ? ' on ' + one.parent : ' on the trunk'}
                    <br />
                    <span className="faint small">
                      {one.faults?.length
                        ? one.faults
                            .map((fault) => FAULTS[fault.kind ?? ''] + (fault.with ? ' ' + fault.with : ''))
                            .join(', ')
                        : 'nothing wrong'}
                    </span>
                  </span>
                  <i className="bi bi-chevron-right" aria-hidden="true" />
                </button>
              ))}
              <Button className="w-100 mt-2" style={{ minHeight: 52 }} onClick={() => editLimb()}>
                <i className="bi bi-plus-lg" aria-hidden="true" /> Add a limb
              </Button>
            </>
          )}
          {step === 3 && <AroundStep draft={draft} change={change} />}
          {step === 4 && (
            <>
              <Summary draft={draft} />
              <Chips
                label="Plan over"
                options={{ 1: '1 year', 2: '2', 3: '3', 4: '4', 5: '5 years' }}
                value={draft.years ? String(draft.years) : undefined}
                onChange={(years) => change((now) => ({ ...now, years: years ? Number(years) : undefined }))}
                hint="Leave it open and the judgement suggests"
              />
              {save.error instanceof Problem && save.error.errors.length > 0 ? (
                <Alert variant="danger" role="alert">
                  {save.error.message} Nothing was saved yet.
                  <ul className="mb-0">
                    {save.error.errors.map((field) => (
                      <li key={field.pointer}>
                        <strong>
                          {fieldName(
                            field.pointer,
                            draft.limbs.map((one) => one.id ?? ''),
                          )}
                        </strong>{' '}
                        {field.detail}.
                      </li>
                    ))}
                  </ul>
                </Alert>
              ) : (
                <ProblemAlert error={save.error} />
              )}
              <Button
                className="w-100"
                style={{ minHeight: 56 }}
                disabled={save.isPending}
                onClick={() => save.mutate(draft)}
              >
                {correcting ? 'Save the correction and judge' : 'Save and judge'}
              </Button>
              <div className="d-flex flex-wrap gap-2 mt-3">
                <Button variant="outline-secondary" size="sm" onClick={() => upload.current?.click()}>
                  Fill in from a survey file…
                </Button>
                <Button
                  variant="outline-secondary"
                  size="sm"
                  onClick={() => void drop().then(() => navigate(at))}
                >
                  Throw this draft away
                </Button>
              </div>
              <input
                ref={upload}
                type="file"
                hidden
                accept=".json,application/json"
                aria-label="Survey file"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = '';
                  if (file) void fromFile(file);
                }}
              />
            </>
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

const KEPT = {
  'nothing yet': '',
  keeping: 'keeping…',
  kept: 'draft kept',
  'not kept': 'draft not kept – no connection',
  'newer elsewhere': '',
};
