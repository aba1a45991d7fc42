import { useState } from 'react';
import { Alert, Button, Form } from 'react-bootstrap';
import type { Coming } from '../api/client';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { date, weekday, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { DAY_STATES } from '../vocabulary/crew';
import { useAnswerComing, useComing } from './askingQueries';

const secret = () => window.location.hash.slice(1);

/** A day as whoever was asked sees it without signing in: where, when, which trees, and whether they come. */
export function ComingPage() {
  useTitle('Do you come?');
  const [token] = useState(secret);
  const look = useComing(token);
  if (!look.data) return <Loading error={look.error} />;
  return <Asked key={look.data.answer ?? ''} token={token} look={look.data} />;
}

function Asked({ token, look }: { token: string; look: Coming }) {
  return (
    <div className="walk">
      <h1>
        {weekday(look.on)} {date(look.on)}
      </h1>
      <p className="lead mb-1">
        {look.site}, {look.starts}–{look.ends}
      </p>
      {look.note && <p>{look.note}</p>}
      {look.over ? (
        <Alert variant="warning">
          {look.state === 'rained-off' || look.state === 'called-off'
            ? 'This day does not take place: it was ' + DAY_STATES[look.state] + '.'
            : 'This day is past.'}
        </Alert>
      ) : (
        <AnswerForm token={token} look={look} />
      )}
      {look.trees.length + look.tasks.length > 0 && (
        <section aria-label="The work" className="mt-4">
          <h2>
            {look.crew != null
              ? 'Your crew: ' + look.crew + (look.leader ? ', led by ' + look.leader : '')
              : 'The trees of the day'}
          </h2>
          <ul>
            {look.trees.map((tree) => (
              <li key={tree.tag + tree.starts}>
                {tree.starts && tree.starts + '–' + tree.ends + ' '}
                <strong>{tree.tag}</strong>, {words(tree.species)}
                {tree.what && ': ' + tree.what}
              </li>
            ))}
            {look.tasks.map((task) => (
              <li key={task.title + task.starts}>
                {task.starts && task.starts + '–' + task.ends + ' '}
                {task.title}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-label="What to bring" className="mt-4">
        <h2>What to bring</h2>
        <p>
          Gloves, sturdy shoes, clothes that thorns may have, something to drink, and secateurs if you have
          some of your own. Helmets, saws and ladders are there, and somebody who shows how.
        </p>
      </section>
    </div>
  );
}

function AnswerForm({ token, look }: { token: string; look: Coming }) {
  const send = useAnswerComing();
  const [from, setFrom] = useState(look.from ?? look.starts);
  const [until, setUntil] = useState(look.until ?? look.ends);
  const [remark, setRemark] = useState(look.remark ?? '');
  const say = (answer: string) =>
    send.mutate({
      token,
      answer,
      ...(answer === 'yes' && { from, until }),
      ...(remark.trim() && { remark: remark.trim() }),
    });
  const chosen = (answer: string) => ({
    'aria-pressed': look.answer === answer,
    variant: look.answer === answer ? 'primary' : 'outline-primary',
    disabled: send.isPending,
    onClick: () => say(answer),
  });
  return (
    <section aria-label="Your answer">
      <h2>{look.name}, do you come?</h2>
      <div className="d-flex flex-wrap gap-2">
        <Form.Group controlId="coming-from">
          <Form.Label>From</Form.Label>
          <Form.Control type="time" value={from} onChange={(e) => setFrom(e.target.value)} />
        </Form.Group>
        <Form.Group controlId="coming-until">
          <Form.Label>Until</Form.Label>
          <Form.Control type="time" value={until} onChange={(e) => setUntil(e.target.value)} />
        </Form.Group>
      </div>
      <Form.Group controlId="coming-remark" className="my-2">
        <Form.Label>A word to whoever leads, if you like</Form.Label>
        <Form.Control value={remark} maxLength={300} onChange={(e) => setRemark(e.target.value)} />
      </Form.Group>
      <div className="answer-buttons">
        <Button {...chosen('yes')}>Yes</Button>
        <Button {...chosen('perhaps')}>Perhaps</Button>
        <Button {...chosen('no')}>No</Button>
      </div>
      {look.answer && !send.isPending && (
        <p role="status" className="mt-2">
          {look.answer === 'yes'
            ? 'You come' + (look.from ? ' from ' + look.from + ' to ' + look.until : '') + '. Thank you!'
            : look.answer === 'perhaps'
              ? 'You may come. Say yes or no here when you know.'
              : 'You do not come. Thank you for saying so.'}{' '}
          You can change it here until the day.
        </p>
      )}
      <ProblemAlert error={send.error} />
    </section>
  );
}
