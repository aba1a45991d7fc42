import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { Due } from '../api/client';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date, dates, words } from '../parts/format';
import { useCare, useDidCare, useNotDoneCare } from './queries';
import { Icon } from '../parts/Icon';

const FIRST = 8;

/** Work besides cutting: what is due first, each to be ticked off. */
export function CareList({ siteId, today, species }: { siteId: number; today: string; species?: string }) {
  const care = useCare(siteId);
  const [all, setAll] = useState(false);
  if (!care.data) return <Loading error={care.error} />;
  const mine = care.data.filter((due) => !species || due.species === species);
  const shown = all ? mine : mine.slice(0, FIRST);
  if (mine.length === 0) return <p className="faint">Nothing is due within a year.</p>;
  return (
    <>
      <ul className="care-list">
        {shown.map((due, i) => (
          <CareItem
            key={due.task + (due.species ?? '') + due.year}
            due={due}
            siteId={siteId}
            today={today}
            withKind={!species}
            told={shown.slice(0, i).some((other) => other.task === due.task)}
          />
        ))}
      </ul>
      {mine.length > shown.length && (
        <Button size="sm" variant="link" className="p-0 no-print" onClick={() => setAll(true)}>
          and {mine.length - shown.length} later in the year
        </Button>
      )}
    </>
  );
}

function CareItem({
  due,
  siteId,
  today,
  withKind,
  told,
}: {
  due: Due;
  siteId: number;
  today: string;
  withKind: boolean;
  /** Whether how it is done stands above already. */
  told: boolean;
}) {
  const did = useDidCare(siteId);
  const undo = useNotDoneCare();
  const [noting, setNoting] = useState(false);
  const [note, setNote] = useState('');
  const now = due.opens <= today;
  const key = due.task + (due.species ?? '');
  return (
    <li className={due.done ? 'done' : now ? 'due' : ''}>
      <div>
        <strong>
          {due.title}
          {withKind && due.species ? ': ' + words(due.species) : ''}
        </strong>{' '}
        <span className="faint">
          {now ? 'due until ' + date(due.closes) : dates(due.opens, due.closes)} ({due.source})
        </span>
      </div>
      {!told && <div>{due.text}</div>}
      {due.done ? (
        <div>
          <Icon name="check2" /> Done on {date(due.done.on)} by {due.done.by}
          {due.done.note ? ': ' + due.done.note : ''}{' '}
          <Button
            size="sm"
            variant="link"
            className="p-0 align-baseline no-print"
            onClick={() => undo.mutate(due.done!.id)}
          >
            Take back
          </Button>
        </div>
      ) : noting ? (
        <div className="d-flex gap-2 mt-1">
          <Form.Control
            size="sm"
            aria-label={'Note to ' + due.title}
            placeholder="What was done or used"
            maxLength={500}
            style={{ maxWidth: 320 }}
            value={note}
            id={'care-' + key}
            onChange={(e) => setNote(e.target.value)}
          />
          <Button
            size="sm"
            disabled={did.isPending}
            onClick={() =>
              did.mutate(
                {
                  task: due.task,
                  species: due.species ?? undefined,
                  year: due.year,
                  on: today,
                  note: note || undefined,
                },
                { onSuccess: () => setNoting(false) },
              )
            }
          >
            Note it as done
          </Button>
        </div>
      ) : (
        <Button
          size="sm"
          variant="outline-primary"
          className="no-print"
          aria-label={'Done: ' + due.title + (due.species ? ', ' + words(due.species) : '')}
          onClick={() => setNoting(true)}
        >
          Done
        </Button>
      )}
      <ProblemAlert error={did.error ?? undo.error} />
    </li>
  );
}
