import { useEffect, useRef } from 'react';
import { useSearchParams } from 'react-router';
import { api, type SurveyFile, unwrap } from '../api/client';
import { useSurveys } from '../verdict/queries';

async function fileOf(surveyId: number): Promise<SurveyFile> {
  return unwrap(
    await api.GET('/api/surveys/{surveyId}/file', { params: { path: { surveyId } } }),
  ) as SurveyFile;
}

/** A survey being corrected; asked for only then. */
export function useCorrecting(treeId: number) {
  const [params] = useSearchParams();
  const wanted = Number(params.get('correct')) || undefined;
  const surveys = useSurveys(treeId, wanted !== undefined);
  return { wanted, survey: surveys.data?.find((one) => one.id === wanted), error: surveys.error };
}

/** Puts the survey that is corrected into a walk on which nothing was entered yet, once. */
export function useStartFrom(
  surveyId: number | undefined,
  waits: boolean,
  start: (file: SurveyFile) => void,
  cannot: (wrong: unknown) => void,
) {
  const loaded = useRef(false);
  useEffect(() => {
    if (!surveyId || waits || loaded.current) return;
    loaded.current = true;
    fileOf(surveyId).then(start).catch(cannot);
  });
}
