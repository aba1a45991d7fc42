import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { Letter } from '../api/client';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { dateTime } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { useLetters } from './askingQueries';

const STATES: Record<string, [state: string, word: string]> = {
  'by-hand': ['with-care', 'to be handed over'],
  kept: ['planned', 'kept here'],
  waiting: ['planned', 'waits to be sent'],
  sent: ['yes', 'sent'],
  'given-up': ['no', 'could not be sent'],
};

/** The outbox: what was written to people, as it is. */
export function LettersView() {
  const siteId = Number(useParams().siteId);
  useTitle('Outbox');
  const letters = useLetters(siteId);
  if (!letters.data) return <Loading error={letters.error} />;
  const all = letters.data.pages.flat();
  return (
    <div className="letters">
      <h1>Outbox</h1>
      {all.some((one) => one.state === 'kept') && (
        <p>
          No mail server is named, so letters go no further than this list; how one is named stands in
          docs/running.md. Each can be taken as a file and opened in a mail program.
        </p>
      )}
      {all.length === 0 && (
        <p>
          Nothing was written yet. People are invited on the page of a{' '}
          <Link to={'/sites/' + siteId + '/days'}>work day</Link>.
        </p>
      )}
      {all.map((letter) => (
        <LetterRow key={letter.id} letter={letter} siteId={siteId} />
      ))}
      {letters.hasNextPage && (
        <Button variant="outline-primary" size="sm" onClick={() => void letters.fetchNextPage()}>
          Older ones
        </Button>
      )}
    </div>
  );
}

function LetterRow({ letter, siteId }: { letter: Letter; siteId: number }) {
  const [copied, setCopied] = useState(false);
  const [state, word] = STATES[letter.state] ?? ['planned', letter.state];
  return (
    <details className="letter">
      <summary>
        <span className="when">{dateTime(letter.madeAt)}</span>
        <strong>{letter.name}</strong>
        <span>{letter.subject}</span>
        <State code={state} word={word} />
      </summary>
      <p className="small faint mb-1">
        To {letter.mailTo ?? 'nobody’s mail address: none is known'}
        {letter.failure && <>. The mail server said: {letter.failure}</>}
      </p>
      <pre>{letter.body}</pre>
      <div className="d-flex flex-wrap gap-3 align-items-center">
        <a href={'/api/letters/' + letter.id + '/letter.eml'} download>
          As a mail file (.eml) with its calendar entry
        </a>
        {letter.dayId != null && <Link to={'/sites/' + siteId + '/days/' + letter.dayId}>The day</Link>}
        {letter.link && letter.state === 'by-hand' && (
          <>
            <Form.Control
              size="sm"
              readOnly
              aria-label={'Address at which ' + letter.name + ' answers'}
              value={letter.link}
              onFocus={(e) => e.target.select()}
            />
            <Button
              size="sm"
              variant="outline-primary"
              onClick={() =>
                void navigator.clipboard.writeText(letter.body).then(
                  () => setCopied(true),
                  () => undefined,
                )
              }
            >
              {copied ? 'Copied' : 'Copy the letter'}
            </Button>
          </>
        )}
      </div>
    </details>
  );
}
