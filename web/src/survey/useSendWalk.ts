import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import {
  api,
  currentPersonId,
  type FieldTree,
  Problem,
  type Survey,
  type SurveyFile,
  unwrap,
} from '../api/client';
import { sendable, surveyItem } from '../field/items';
import type { Draft } from '../field/kept';
import { randomKey } from '../field/outbox';
import { asProblem, keepAndSend, outbox } from '../field/phone';

/** Sends a walk, or the correction of a survey, and goes where it then stands; what was refused stays to be mended. */
export function useSendWalk({
  tree,
  siteId,
  draft,
  basedOn,
  drop,
  correcting,
}: {
  tree: FieldTree;
  siteId: number;
  draft: Draft | undefined;
  basedOn: number;
  drop: (everywhere: boolean) => Promise<void>;
  correcting?: Survey;
}) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [refused, setRefused] = useState<Problem>();
  const [sending, setSending] = useState(false);
  const at = '/sites/' + siteId + '/trees/' + tree.id;

  /** Kept on the phone first, then sent; without signal it waits there. */
  const send = async (walked: Draft) => {
    const key = randomKey();
    const walk = { key, treeId: tree.id, siteId, tag: tree.tag, survey: walked, basedOn };
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
  const correct = async (walked: Draft, id: number, version: number) => {
    unwrap(
      await api.PUT('/api/surveys/{surveyId}', {
        params: { path: { surveyId: id }, query: { version } },
        body: sendable(walked) as unknown as SurveyFile,
      }),
    );
    await drop(false);
    await queries.invalidateQueries();
    return navigate(at);
  };
  const save = () => {
    if (!draft) return;
    setSending(true);
    setRefused(undefined);
    void Promise.resolve(correcting ? correct(draft, correcting.id, correcting.version) : send(draft))
      .catch((wrong: unknown) =>
        setRefused(wrong instanceof Problem ? wrong : new Problem(0, 'It could not be kept on this phone.')),
      )
      .finally(() => setSending(false));
  };
  const throwAway = async () => {
    await drop(true);
    await queries.invalidateQueries({ queryKey: ['waiting'] });
    return navigate(at);
  };
  return { save, throwAway, refused, sending };
}
