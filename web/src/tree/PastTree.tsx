import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { api, type Judgement, type SurveyFile, unwrap } from '../api/client';
import { SketchInk } from '../drawing/SketchInk';
import { sketch } from '../drawing/sketch';
import { Loading } from '../parts/Loading';
import { centimetres, date, metres } from '../parts/format';
import { TRIAGE } from '../vocabulary/orchard';
import { useSurveys } from '../verdict/queries';

const FROM_THE_SOUTH = 180;
const MARGIN_M = 0.4;

const useSurveyFile = (surveyId: number | undefined) =>
  useQuery({
    queryKey: ['survey-file', surveyId],
    enabled: surveyId !== undefined,
    queryFn: async () =>
      unwrap(
        await api.GET('/api/surveys/{surveyId}/file', { params: { path: { surveyId: surveyId! } } }),
      ) as unknown as SurveyFile,
  });

/** The tree as an earlier walk found it beside what it is now, to one scale, with the figures of both. */
export function PastTree({ treeId, judgement }: { treeId: number; judgement: Judgement }) {
  const surveys = useSurveys(treeId).data ?? [];
  const past = surveys.slice(1);
  const [chosen, setChosen] = useState<number>();
  const then = past.find((one) => one.id === chosen) ?? past.at(-1);
  const file = useSurveyFile(then?.id);
  const { now, before, sheet } = useMemo(() => {
    const now = judgement.drawing.limbs.map((limb) => ({ ...limb, parent: limb.parent ?? undefined }));
    const before = sketch(file.data?.limbs ?? []);
    const all = [...now, ...before];
    return {
      now,
      before,
      sheet: {
        topM: Math.max(3, ...all.map((limb) => limb.tip.upM)) + MARGIN_M,
        reachM: Math.max(2, ...all.map((limb) => Math.hypot(limb.tip.eastM, limb.tip.northM))) + MARGIN_M,
      },
    };
  }, [judgement, file.data]);
  if (!then) return null;
  if (!file.data) return <Loading error={file.error} />;
  const deadThen = new Set(
    (file.data.limbs ?? []).flatMap((limb) =>
      limb.id && limb.faults?.some((fault) => fault.kind === 'dead') ? [limb.id] : [],
    ),
  );
  const deadNow = new Set(judgement.drawing.limbs.flatMap((limb) => (limb.living ? [] : [limb.id])));
  const { tree } = file.data;
  return (
    <section aria-label="Then and now, drawn" className="past-tree">
      <h3>As it was walked, and as it is</h3>
      <label className="small">
        Walk of{' '}
        <select
          className="form-select form-select-sm d-inline-block"
          style={{ width: 'auto' }}
          value={then.id}
          onChange={(e) => setChosen(Number(e.target.value))}
        >
          {past.map((one) => (
            <option key={one.id} value={one.id}>
              {date(one.surveyedOn)}
            </option>
          ))}
        </select>
      </label>
      <div className="now-and-then">
        <figure>
          <SketchInk limbs={before} dead={deadThen} view={FROM_THE_SOUTH} sheet={sheet} />
          <figcaption className="small">
            {date(then.surveyedOn)}: {tree?.heightM != null && metres(tree.heightM) + ' high, '}
            {tree?.spreadM != null && metres(tree.spreadM) + ' wide, '}
            {tree?.trunkGirthCm != null && 'girth ' + centimetres(tree.trunkGirthCm) + ', '}
            {before.length} limbs, {deadThen.size} dead
            {then.triage && '; judged then: ' + TRIAGE[then.triage]}
          </figcaption>
        </figure>
        <figure>
          <SketchInk limbs={now} dead={deadNow} view={FROM_THE_SOUTH} sheet={sheet} />
          <figcaption className="small">
            Now: {metres(judgement.drawing.heightM)} high, {metres(judgement.drawing.spreadM)} wide,{' '}
            {now.length} limbs, {deadNow.size} dead; judged now: {TRIAGE[judgement.evaluation.tree.triage]}
          </figcaption>
        </figure>
      </div>
    </section>
  );
}
