import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId } from '../api/client';
import { noteItem } from '../field/items';
import { useSend } from '../field/useSend';
import { useWaiting } from '../field/useWaiting';
import { when } from '../field/words';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useDayNotes } from './dayQueries';

/** What is noted of a day as a whole while it runs; without signal too. */
export function DayNotes({ day }: { day: { siteId: number; dayId: number; on: string } }) {
  const notes = useDayNotes(day.dayId);
  const waiting = useWaiting();
  const { send, sending, wrong } = useSend();
  const [text, setText] = useState('');
  const here = waiting.data?.open.filter((item) => item.kind === 'note' && item.dayId === day.dayId) ?? [];
  const add = async () => {
    if (await send(noteItem(day, currentPersonId(), text.trim()))) setText('');
  };
  return (
    <section aria-label="Notes of the day" className="my-2">
      {(notes.data ?? []).map((note) => (
        <p key={note.id} className="mb-1">
          {note.note}{' '}
          <span className="faint small">
            {note.by}, {when(note.at)}
          </span>
        </p>
      ))}
      {here.map((item) => (
        <p key={item.key} className="mb-1">
          {(item.body as { note: string }).note} <span className="faint small">waits on this phone</span>
        </p>
      ))}
      <Form
        className="d-flex gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          if (text.trim()) void add();
        }}
      >
        <Form.Control
          aria-label="Note of the day"
          placeholder="Note of the day"
          maxLength={1000}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <Button type="submit" variant="outline-primary" disabled={!text.trim() || sending}>
          Note
        </Button>
      </Form>
      <ProblemAlert error={wrong} />
    </section>
  );
}
