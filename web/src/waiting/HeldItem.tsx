import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Alert, Button } from 'react-bootstrap';
import { Link, useNavigate, useParams } from 'react-router';
import { api, type FruitData, type LogData, unwrap } from '../api/client';
import { usePeople } from '../crew/peopleQueries';
import { fieldInWords } from '../parts/fieldInWords';
import { Loading } from '../parts/Loading';
import { date } from '../parts/format';
import type { Draft } from '../field/kept';
import { fieldName } from '../vocabulary/survey';
import type { Entry } from '../field/kept';
import { compare, compareLogs, type Difference } from './compare';
import { Differences } from './Differences';
import { GiveUp } from './GiveUp';
import { surveyItem } from '../field/items';
import { type Item, randomKey, wantsLook } from '../field/outbox';
import { keepAndSend, outbox } from '../field/phone';
import { useFieldTree } from '../field/queries';
import { store } from '../field/store';
import { useWaiting } from '../field/useWaiting';
import { KINDS } from '../field/words';

/** Something that was not taken: beside what is there now, or with what is to be mended. */
export function HeldItem() {
  const { siteId, key } = useParams();
  const waiting = useWaiting();
  if (!waiting.data) return <Loading error={waiting.error} />;
  const item = waiting.data.open.find((one) => one.key === key);
  if (!item || !wantsLook(item))
    return (
      <p>
        This is no longer held here. <Link to={'/sites/' + siteId + '/waiting'}>What waits</Link>
      </p>
    );
  const parts = { item, siteId: Number(siteId) };
  return (
    <div className="walk">
      <h1>
        {KINDS[item.kind]} {item.about}
      </h1>
      {item.kind === 'survey' && <HeldSurvey {...parts} />}
      {item.kind === 'log' && <HeldLog {...parts} />}
      {item.kind === 'fruit' && <HeldFruit {...parts} />}
      {!['survey', 'log', 'fruit'].includes(item.kind) && <Refused item={item} />}
      <div className="d-flex gap-2 mt-3">
        <GiveUp item={item} />
      </div>
    </div>
  );
}

interface Part {
  item: Item;
  siteId: number;
}

/** Why it was refused, field by field. */
function Refused({ item, name }: { item: Item; name?: (pointer: string) => string }) {
  const wrong = item.refusal?.errors ?? [];
  return (
    <Alert variant="danger">
      {item.refusal?.detail}
      <ul className="mb-0">
        {wrong.map((one) => (
          <li key={one.pointer}>
            <strong>{(name ?? fieldInWords)(one.pointer)}</strong> {one.detail}.
          </li>
        ))}
      </ul>
    </Alert>
  );
}

/** What somebody decides of something held, and how that ended. */
function useDeciding() {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [said, setSaid] = useState('');
  const leave = async (to: string) => {
    await queries.invalidateQueries();
    await navigate(to);
  };
  /** Sends the newer in place of what was held. */
  const sendInstead = async (old: Item, next: Parameters<typeof keepAndSend>[0], to: string) => {
    const now = await keepAndSend(next, (other) => other.key === old.key);
    if (now.state === 'sent') return leave(to);
    setSaid(wantsLook(now) ? 'It was not taken; look at it again.' : 'No signal. It waits on this phone.');
    await queries.invalidateQueries();
    if (wantsLook(now)) await navigate('/sites/' + old.siteId + '/waiting/' + now.key, { replace: true });
  };
  return { said, leave, sendInstead };
}

function Choices({
  differing,
  names,
  keepMine,
  change,
  said,
}: {
  differing?: Difference[];
  names: [string, string];
  keepMine?: () => void;
  change?: () => void;
  said: string;
}) {
  return (
    <>
      {differing && <Differences found={differing} names={names} />}
      {said && <p className="text-danger">{said}</p>}
      <div className="d-grid gap-2">
        {keepMine && (
          <Button style={{ minHeight: 48 }} onClick={keepMine}>
            Keep both, mine as the newer
          </Button>
        )}
        {change && (
          <Button variant="outline-primary" style={{ minHeight: 48 }} onClick={change}>
            Change mine first
          </Button>
        )}
      </div>
    </>
  );
}

function HeldSurvey({ item, siteId }: Part) {
  const { draft, basedOn } = item.form as { draft: Draft; basedOn: number };
  const clash = item.state === 'clash';
  const theirs = useFieldTree(item.treeId!, clash);
  const { said, leave, sendInstead } = useDeciding();
  const at = '/sites/' + siteId + '/trees/' + item.treeId;
  if (clash && !theirs.data) return <Loading error={theirs.error} />;
  const newest = theirs.data?.newestSurvey ?? basedOn;
  const walk = { siteId, treeId: item.treeId!, tag: item.about, person: item.person, survey: draft };
  const change = async () => {
    await store.changeDraft(item.treeId!, () => ({
      treeId: item.treeId!,
      siteId,
      tag: item.about,
      person: item.person,
      draft,
      basedOn: newest,
      version: 0,
      changed: true,
    }));
    await outbox.drop(item.key);
    await leave(at + '/walk');
  };
  return (
    <>
      {clash ? (
        <p>
          Somebody walked to this tree after you set out
          {theirs.data?.surveyedOn && ', on ' + date(theirs.data.surveyedOn)}. Nothing of either is lost.
          Where they differ:
        </p>
      ) : (
        <Refused
          item={item}
          name={(pointer) =>
            fieldName(
              pointer,
              draft.limbs.map((limb) => limb.id ?? ''),
            )
          }
        />
      )}
      <Choices
        differing={clash ? compare(draft, theirs.data?.start) : undefined}
        names={['Yours', 'There now']}
        keepMine={
          clash
            ? () => void sendInstead(item, surveyItem({ ...walk, key: randomKey(), basedOn: newest }), at)
            : undefined
        }
        change={() => void change()}
        said={said}
      />
    </>
  );
}

function HeldLog({ item, siteId }: Part) {
  const { entry, corrects } = item.form as { entry: Entry; corrects?: number };
  const clash = item.state === 'clash';
  const people = usePeople();
  const logs = useQuery({
    queryKey: ['logs', item.treeId],
    enabled: clash,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/logs', { params: { path: { treeId: item.treeId! } } })),
  });
  const { said, leave, sendInstead } = useDeciding();
  const mine = item.body as LogData;
  if (clash && !logs.data) return <Loading error={logs.error} />;
  const theirs = logs.data?.findLast((log) => log.visitId === item.visitId && !log.corrected);
  const at = '/sites/' + siteId + '/trees/' + item.treeId;
  const nameOf = (id: number) => people.data?.find((one) => one.id === id)?.name ?? String(id);
  const change = async () => {
    const over = theirs?.id ?? corrects;
    await store.keepEntry({
      id: item.visitId + (over ? '-' + over : ''),
      entry: { ...entry, key: randomKey() },
      refusal: clash ? undefined : item.refusal,
    });
    await outbox.drop(item.key);
    await leave('/sites/' + siteId + '/visits/' + item.visitId + '/log' + (over ? '?correct=' + over : ''));
  };
  const mineAsNewer = () => {
    const key = randomKey();
    return sendInstead(
      item,
      { ...item, key, path: '/api/logs/' + theirs!.id + '/correction', body: { ...mine, key } },
      at,
    );
  };
  const cutName = (pointer: string) => {
    const [, list, i, field] = pointer.split('/');
    return list === 'cuts' && mine.cuts[Number(i)]
      ? 'Limb ' + mine.cuts[Number(i)]!.limb + (field ? ', ' + fieldInWords('/' + field).toLowerCase() : '')
      : fieldInWords(pointer);
  };
  return (
    <>
      {clash && theirs ? (
        <p>
          {theirs.loggedBy} logged this visit too, on another phone. Nothing of either is lost. Where they
          differ:
        </p>
      ) : (
        <Refused item={item} name={cutName} />
      )}
      <Choices
        differing={clash && theirs ? compareLogs(mine, theirs, nameOf) : undefined}
        names={['Yours', theirs?.loggedBy ?? 'There now']}
        keepMine={clash && theirs ? () => void mineAsNewer() : undefined}
        change={() => void change()}
        said={said}
      />
    </>
  );
}

function HeldFruit({ item, siteId }: Part) {
  const mine = (item.body as { data: FruitData }).data;
  const year = Number(item.path.split('/').pop());
  const clash = item.state === 'clash';
  const fruit = useQuery({
    queryKey: ['fruit', item.treeId],
    enabled: clash,
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/fruit', { params: { path: { treeId: item.treeId! } } })),
  });
  const { said, sendInstead } = useDeciding();
  if (clash && !fruit.data) return <Loading error={fruit.error} />;
  const there = fruit.data?.years.find((one) => one.year === year);
  const differing = (['bloom', 'number', 'kilos', 'note'] as const)
    .filter((name) => (mine[name] ?? '') !== (there?.data[name] ?? ''))
    .map((name) => ({
      what: fieldInWords('/' + name),
      yours: String(mine[name] ?? '–'),
      theirs: String(there?.data[name] ?? '–'),
    }));
  return (
    <>
      {clash ? (
        <p>Somebody else entered this year’s fruit meanwhile. Where they differ:</p>
      ) : (
        <Refused item={item} />
      )}
      <Choices
        differing={clash ? differing : undefined}
        names={['Yours', there?.by ?? 'There now']}
        keepMine={
          clash
            ? () =>
                void sendInstead(
                  item,
                  { ...item, key: randomKey(), body: { version: there?.version ?? 0, data: mine } },
                  '/sites/' + siteId + '/trees/' + item.treeId,
                )
            : undefined
        }
        said={said}
      />
    </>
  );
}
