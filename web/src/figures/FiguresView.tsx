import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link, useParams } from 'react-router';
import type { FigureView } from '../api/client';
import { Loading } from '../parts/Loading';
import { ProblemAlert } from '../parts/ProblemAlert';
import { dateTime, Words, words } from '../parts/format';
import { useTitle } from '../parts/useTitle';
import { SPECIES } from '../vocabulary/orchard';
import { changedOf, useChangeFigure, useFigures } from './queries';

const shown = (value: number, unit: string) =>
  unit === 'share' ? Math.round(value * 1000) / 10 + ' %' : Math.round(value * 1000) / 1000 + ' ' + unit;

/** Every number the rules go by, where it comes from, and what this site goes by instead. */
export function FiguresView() {
  const siteId = Number(useParams().siteId);
  const figures = useFigures(siteId);
  const change = useChangeFigure(siteId);
  const [find, setFind] = useState('');
  const [editing, setEditing] = useState<{ figure: string; kind?: string }>();
  useTitle('Numbers');
  if (!figures.data) return <Loading error={figures.error} />;
  const wanted = figures.data.filter((one) =>
    (one.meaning + ' ' + one.figure + ' ' + one.source).toLowerCase().includes(find.toLowerCase()),
  );
  const changed = figures.data.reduce((sum, one) => sum + (one.changed ? 1 : 0) + one.kinds.length, 0);
  return (
    <>
      <h1>Numbers the rules go by</h1>
      <p className="faint">
        Each with where it comes from. What this site changes holds for its own trees only; they are judged
        anew. {changed > 0 ? changed + ' changed here.' : 'Nothing is changed here.'}{' '}
        <Link to={'/sites/' + siteId + '/settings'}>Back to the site</Link>
      </p>
      <Form.Control
        type="search"
        size="sm"
        style={{ maxWidth: 260 }}
        placeholder="Find a number"
        aria-label="Find a number"
        value={find}
        onChange={(e) => setFind(e.target.value)}
      />
      <ProblemAlert error={change.error} />
      <div className="table-responsive" tabIndex={0} role="region" aria-label="The numbers">
        <table className="table table-sm mt-2">
          <thead>
            <tr>
              <th>What it is</th>
              <th className="num">Shipped</th>
              <th>Comes from</th>
              <th>This site</th>
            </tr>
          </thead>
          <tbody>
            {wanted.map((one) => (
              <tr key={one.figure}>
                <td>
                  {one.meaning}
                  <div className="faint small">{Words(one.figure)}</div>
                </td>
                <td className="num text-nowrap">{shown(one.shipped, one.unit)}</td>
                <td className="small">{one.source}</td>
                <td style={{ minWidth: 230 }}>
                  {[undefined, ...one.kinds.map((other) => other.kind)].map((kind) => (
                    <Own
                      key={kind ?? ''}
                      figure={one}
                      kind={kind}
                      edit={() => setEditing({ figure: one.figure, kind })}
                      putBack={() => change.mutate({ one, kind, to: null })}
                    />
                  ))}
                  {editing?.figure === one.figure && (
                    <Change
                      key={editing.kind}
                      figure={one}
                      of={editing.kind}
                      saving={change.isPending}
                      leave={() => setEditing(undefined)}
                      keep={(kind, value, note) =>
                        void change.mutateAsync({ one, kind, to: { value, note } }).then(
                          () => setEditing(undefined),
                          () => undefined,
                        )
                      }
                    />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

/** What the site goes by instead, for all trees or for those of a kind. */
function Own({
  figure,
  kind,
  edit,
  putBack,
}: {
  figure: FigureView;
  kind?: string;
  edit: () => void;
  putBack: () => void;
}) {
  const changed = changedOf(figure, kind);
  const of = kind ? ', ' + words(kind) : '';
  return (
    <div>
      {changed && (
        <div>
          {kind && words(kind) + ' '}
          <strong>{shown(changed.value, figure.unit)}</strong>{' '}
          <span className="small faint">
            {changed.by}, {dateTime(changed.at)}
            {changed.note && ': ' + changed.note}
          </span>
        </div>
      )}
      <Button
        size="sm"
        variant="link"
        className="p-0 me-2"
        aria-label={'Change: ' + figure.meaning + of}
        onClick={edit}
      >
        Change
      </Button>
      {changed && (
        <Button
          size="sm"
          variant="link"
          className="p-0"
          aria-label={'Put back: ' + figure.meaning + of}
          onClick={putBack}
        >
          Put back
        </Button>
      )}
    </div>
  );
}

function Change({
  figure,
  of,
  saving,
  leave,
  keep,
}: {
  figure: FigureView;
  /** The kind that is changed; without one, all trees or a kind that is chosen. */
  of?: string;
  saving: boolean;
  leave: () => void;
  keep: (kind: string | undefined, value: number, note?: string) => void;
}) {
  const share = figure.unit === 'share';
  const [kind, setKind] = useState(of ?? '');
  const was = changedOf(figure, of);
  const now = was?.value ?? figure.changed?.value ?? figure.shipped;
  const [text, setText] = useState(String(Math.round((share ? now * 100 : now) * 1000) / 1000));
  const [note, setNote] = useState(was?.note ?? '');
  const number = Number(text.replace(',', '.'));
  const good = text.trim() !== '' && Number.isFinite(number);
  return (
    <Form
      className="d-flex flex-wrap gap-1 align-items-center"
      onSubmit={(e) => {
        e.preventDefault();
        if (good) keep(kind || undefined, share ? number / 100 : number, note.trim() || undefined);
      }}
    >
      <Form.Control
        size="sm"
        autoFocus
        style={{ width: 80 }}
        inputMode="decimal"
        aria-label={figure.meaning}
        isInvalid={!good}
        value={text}
        onChange={(e) => setText(e.target.value)}
      />
      <span>{share ? '%' : figure.unit}</span>
      {!of && (
        <Form.Select
          size="sm"
          style={{ width: 130 }}
          aria-label="For which trees"
          value={kind}
          onChange={(e) => setKind(e.target.value)}
        >
          <option value="">all trees</option>
          {SPECIES.map((code) => (
            <option key={code} value={code}>
              {words(code)} alone
            </option>
          ))}
        </Form.Select>
      )}
      <Form.Control
        size="sm"
        style={{ width: 150 }}
        placeholder="why"
        aria-label="Why"
        maxLength={500}
        value={note}
        onChange={(e) => setNote(e.target.value)}
      />
      <Button size="sm" type="submit" disabled={saving || !good}>
        Keep
      </Button>
      <Button size="sm" variant="link" onClick={leave}>
        Leave
      </Button>
    </Form>
  );
}
