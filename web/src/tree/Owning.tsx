import { useQuery } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { api, type Consent, unwrap } from '../api/client';
import { useRole } from '../api/me';
import { useChange } from '../api/useChange';
import { DateInput } from '../parts/DateInput';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date } from '../parts/format';

const key = (treeId: number) => ['owning', treeId];
const CONTENT = ['not at all', 'little', 'so-so', 'well', 'wholly'];

/** What an owner wishes, is asked, and thinks of it; on the page that is theirs. */
export function Owning({ treeId, siteId, year }: { treeId: number; siteId: number; year: number }) {
  const role = useRole(siteId);
  const owning = useQuery({
    queryKey: key(treeId),
    enabled: !!role && role !== 'volunteer',
    queryFn: async () =>
      unwrap(await api.GET('/api/trees/{treeId}/owning', { params: { path: { treeId } } })),
  });
  if (!owning.data) return null;
  const { consents, contentment, wishes } = owning.data;
  const newest = consents[0];
  const leads = role === 'coordinator' || role === 'leader';
  const heading = role === 'owner' ? 'What you say to it' : 'With the owner';
  const answers = role === 'coordinator' || role === 'owner';
  return (
    <section aria-label={heading} className="no-print owning">
      <h2>{heading}</h2>
      {newest ? <Said consent={newest} /> : <p>Nothing was asked yet.</p>}
      {newest?.state === 'asked' && answers && (
        <Answer key={newest.id} treeId={treeId} consent={newest} own={role === 'owner'} />
      )}
      {leads && newest?.state !== 'asked' && <Ask treeId={treeId} />}
      <Wishes key={wishes ?? ''} treeId={treeId} wishes={wishes ?? ''} own={role === 'owner'} />
      {answers && (
        <Content treeId={treeId} year={year} known={contentment.find((one) => one.year === year)?.grade} />
      )}
      {contentment.map((one) => (
        <p key={one.year + one.by} className="small mb-0">
          {one.year}: content {CONTENT[one.grade - 1]}. {one.said} <span className="faint">{one.by}</span>
        </p>
      ))}
    </section>
  );
}

function Said({ consent }: { consent: Consent }) {
  const about = consent.plan != null ? 'plan ' + consent.plan : 'the work';
  const within = consent.limits ? ', within: ' + consent.limits : '';
  return (
    <p>
      {consent.state === 'asked' &&
        'Asked on ' + date(consent.askedAt.slice(0, 10)) + ' for consent to ' + about + within + '.'}
      {consent.state === 'given' &&
        'Consented to ' +
          about +
          within +
          (consent.goodUntil ? ', until ' + date(consent.goodUntil) : '') +
          ' (' +
          consent.answeredBy +
          ').'}
      {consent.state === 'refused' && 'Refused ' + about + ' (' + consent.answeredBy + ').'} {consent.said}
    </p>
  );
}

function Ask({ treeId }: { treeId: number }) {
  const [limits, setLimits] = useState('');
  const ask = useChange(async (body: { limits?: string }) =>
    unwrap(await api.POST('/api/trees/{treeId}/consents', { params: { path: { treeId } }, body })),
  );
  const submit = (e: FormEvent) => {
    e.preventDefault();
    ask.mutate({ limits: limits.trim() || undefined });
  };
  return (
    <Form onSubmit={submit} className="d-flex flex-wrap gap-2 mb-3">
      <Form.Control
        className="w-auto flex-grow-1"
        aria-label="What the work keeps within"
        placeholder="Within which limits, if any"
        maxLength={500}
        value={limits}
        onChange={(e) => setLimits(e.target.value)}
      />
      <Button type="submit" variant="outline-primary" disabled={ask.isPending}>
        Ask for consent
      </Button>
      <ProblemAlert error={ask.error} />
    </Form>
  );
}

function Answer({ treeId, consent, own }: { treeId: number; consent: Consent; own: boolean }) {
  const [until, setUntil] = useState('');
  const [said, setSaid] = useState('');
  const answer = useChange(async (given: boolean) =>
    unwrap(
      await api.PUT('/api/trees/{treeId}/consents/{id}', {
        params: { path: { treeId, id: consent.id } },
        body: { given, goodUntil: until || undefined, said: said.trim() || undefined },
      }),
    ),
  );
  return (
    <fieldset className="walk-field">
      <legend>{own ? 'What do you say?' : 'What did the owner say?'}</legend>
      <Form.Control
        aria-label="In words"
        placeholder="In words, if there is more to it"
        maxLength={500}
        value={said}
        onChange={(e) => setSaid(e.target.value)}
      />
      <div className="d-flex flex-wrap gap-2 mt-2 align-items-end">
        <DateInput label="Yes until" value={until} onChange={setUntil} />
        <Button disabled={answer.isPending} onClick={() => answer.mutate(true)}>
          Yes
        </Button>
        <Button variant="outline-primary" disabled={answer.isPending} onClick={() => answer.mutate(false)}>
          No
        </Button>
      </div>
      <ProblemAlert error={answer.error} />
    </fieldset>
  );
}

function Wishes({ treeId, wishes, own }: { treeId: number; wishes: string; own: boolean }) {
  const [text, setText] = useState(wishes);
  const keep = useChange(async (body: { wishes: string }) =>
    unwrap(await api.PUT('/api/trees/{treeId}/wishes', { params: { path: { treeId } }, body })),
  );
  return (
    <Form.Group controlId="owners-wishes" className="mb-3">
      <Form.Label>{own ? 'What you wish' : 'What the owner wishes'}</Form.Label>
      <Form.Control
        as="textarea"
        rows={2}
        maxLength={2000}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      {text !== wishes && (
        <Button
          size="sm"
          className="mt-1"
          disabled={keep.isPending}
          onClick={() => keep.mutate({ wishes: text })}
        >
          Keep it
        </Button>
      )}
      <ProblemAlert error={keep.error} />
    </Form.Group>
  );
}

function Content({ treeId, year, known }: { treeId: number; year: number; known?: number }) {
  const keep = useChange(async (grade: number) =>
    unwrap(
      await api.PUT('/api/trees/{treeId}/contentment', {
        params: { path: { treeId } },
        body: { year, grade },
      }),
    ),
  );
  return (
    <fieldset className="walk-field">
      <legend>Content with the work of {year}?</legend>
      <div className="chips">
        {CONTENT.map((name, i) => (
          <button
            key={name}
            type="button"
            aria-pressed={known === i + 1}
            disabled={keep.isPending}
            onClick={() => keep.mutate(i + 1)}
          >
            {name}
          </button>
        ))}
      </div>
      <ProblemAlert error={keep.error} />
    </fieldset>
  );
}
