import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import { currentPersonId, type Moment } from '../api/client';
import { reportItem } from '../field/items';
import { useSend } from '../field/useSend';
import { useSite, useTree } from '../api/orchard';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { date } from '../parts/format';
import { useTimeline } from '../today/queries';
import { useDealtWith } from './queries';
import { REPORTS } from '../vocabulary/visit';

/** Says quickly what was seen, without a survey: after a storm, say. */
export function ReportForm({ treeId, siteId, done }: { treeId: number; siteId: number; done: () => void }) {
  const site = useSite(siteId);
  const tree = useTree(treeId);
  const { send, sending, wrong } = useSend();
  const [kind, setKind] = useState('');
  const [dangerous, setDangerous] = useState<boolean>();
  const [note, setNote] = useState('');
  const submit = async () => {
    const of = { siteId, treeId, tag: tree.data?.data.tag ?? '', person: currentPersonId() };
    const report = { on: site.data!.today, kind, dangerous: !!dangerous, note: note || undefined };
    if (await send(reportItem(of, report))) done();
  };
  return (
    <section className="sheet-box my-2" aria-label="Report">
      <fieldset className="walk-field">
        <legend>What did you see?</legend>
        <div className="chips">
          {Object.entries(REPORTS).map(([code, name]) => (
            <button key={code} type="button" aria-pressed={kind === code} onClick={() => setKind(code)}>
              {name}
            </button>
          ))}
        </div>
      </fieldset>
      <fieldset className="walk-field">
        <legend>Could somebody be hurt?</legend>
        <div className="chips">
          <button type="button" aria-pressed={dangerous === true} onClick={() => setDangerous(true)}>
            yes: keep people away
          </button>
          <button type="button" aria-pressed={dangerous === false} onClick={() => setDangerous(false)}>
            no
          </button>
        </div>
      </fieldset>
      <Form.Control
        as="textarea"
        rows={2}
        aria-label="What exactly, and where"
        placeholder="What exactly, and where"
        maxLength={1000}
        value={note}
        onChange={(e) => setNote(e.target.value)}
      />
      <p className="small mt-1 mb-2">
        It goes to the top of the list. Near power lines, over a road or a building call who is licensed for
        that; do not pull at what hangs.
      </p>
      <ProblemAlert error={wrong} />
      <Button
        disabled={!kind || dangerous === undefined || !site.data || sending}
        onClick={() => void submit()}
      >
        Report it
      </Button>
    </section>
  );
}

/** What was reported of a tree and not dealt with, on top of its page. */
export function OpenReports({ treeId }: { treeId: number }) {
  const timeline = useTimeline(treeId);
  const open = timeline.data?.filter((moment) => moment.report && !moment.report.dealtOn) ?? [];
  return open.map((moment) => <OpenReport key={moment.id} moment={moment} />);
}

function OpenReport({ moment }: { moment: Moment }) {
  const dealt = useDealtWith(moment.id);
  const [how, setHow] = useState('');
  return (
    <section className="report-open" aria-label="Reported">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <State
          code={moment.report!.dangerous ? 'urgent' : 'with-care'}
          word={(moment.report!.dangerous ? 'danger: ' : '') + REPORTS[moment.state ?? 'other']}
        />
        <span>
          {moment.note}{' '}
          <span className="faint">
            Seen {date(moment.on)} by {moment.who}.
          </span>
        </span>
      </div>
      <Form
        className="d-flex gap-2 mt-1"
        onSubmit={(e) => {
          e.preventDefault();
          dealt.mutate({ version: moment.report!.version, how });
        }}
      >
        <Form.Control
          size="sm"
          aria-label="What was done about it"
          placeholder="What was done about it?"
          maxLength={1000}
          value={how}
          onChange={(e) => setHow(e.target.value)}
        />
        <Button size="sm" type="submit" className="text-nowrap" disabled={!how.trim() || dealt.isPending}>
          Dealt with
        </Button>
      </Form>
      <ProblemAlert error={dealt.error} />
    </section>
  );
}
