import { useState } from 'react';
import { Button } from 'react-bootstrap';
import type { Candidate, Day } from '../api/client';
import { Loading } from '../parts/Loading';
import { State } from '../parts/State';
import { dayAndMonth, personMinutes, words } from '../parts/format';
import { TICKETS, VERDICTS } from '../vocabulary/verdict';
import { type DayAction, useCandidates } from './dayQueries';
import { cutsInWords } from '../vocabulary/crew';

/** As many as the server offers. */
const MOST_CANDIDATES = 60;

/** Trees whose plan has something open that day and that are on no day yet. */
export function Candidates({
  day,
  run,
  busy,
}: {
  day: Day;
  run: (action: DayAction) => void;
  busy: boolean;
}) {
  const candidates = useCandidates(day.id);
  return (
    <section aria-label="Could be put on">
      <h2>Open that day, on no day yet</h2>
      {!candidates.data && <Loading error={candidates.error} />}
      {candidates.data?.length === 0 && <p className="faint">No tree’s plan has anything open that day.</p>}
      {candidates.data && candidates.data.length >= MOST_CANDIDATES && (
        <p className="faint">The {MOST_CANDIDATES} most pressing; there may be more.</p>
      )}
      {candidates.data?.map((tree) => (
        <CandidateRow key={tree.treeId} tree={tree} busy={busy} run={run} />
      ))}
    </section>
  );
}

function CandidateRow({
  tree,
  busy,
  run,
}: {
  tree: Candidate;
  busy: boolean;
  run: (action: DayAction) => void;
}) {
  const [choosing, setChoosing] = useState(false);
  const [left, setLeft] = useState<string[]>([]);
  const [shoots, setShoots] = useState(true);
  const [upkeep, setUpkeep] = useState(true);
  const chosen = tree.cuts.filter((cut) => !left.includes(cut.limb));
  const besides = tree.upkeepMinutes > 0 || tree.tasks?.length > 0;
  const nothing = chosen.length === 0 && !(shoots && tree.shoots > 0) && !(upkeep && besides);
  return (
    <div className="candidate">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <strong>{tree.tag}</strong>
        <span className="faint">
          {words(tree.species)}; {personMinutes(tree.minutes)}; until {dayAndMonth(tree.closes)}
        </span>
        {tree.urgent && <State code="urgent" word="urgent" />}
        {tree.sick && <State code="with-care" word="sick" />}
        {tree.tickets.map((ticket) => (
          <State key={ticket} code={ticket === 'arborist' ? 'urgent' : 'with-care'} word={TICKETS[ticket]!} />
        ))}
        <span className="ms-auto d-flex gap-2">
          <Button size="sm" variant="link" className="p-0" onClick={() => setChoosing(!choosing)}>
            {choosing ? 'All' : 'Choose cuts'}
          </Button>
          <Button
            size="sm"
            variant="outline-primary"
            disabled={busy || (choosing && nothing)}
            aria-label={'Put ' + tree.tag + ' on the day'}
            onClick={() =>
              run({
                do: 'put-on',
                treeId: tree.treeId,
                cuts: (choosing ? chosen : tree.cuts).map((cut) => ({ limb: cut.limb, kind: cut.kind })),
                shoots: choosing && !shoots ? 0 : tree.shoots,
                upkeep: !choosing || upkeep,
              })
            }
          >
            Put on
          </Button>
        </span>
      </div>
      {choosing ? (
        <div className="people-chips">
          {tree.cuts.map((cut) => (
            <button
              key={cut.limb + cut.kind}
              type="button"
              aria-pressed={!left.includes(cut.limb)}
              onClick={() =>
                setLeft(left.includes(cut.limb) ? left.filter((id) => id !== cut.limb) : [...left, cut.limb])
              }
            >
              {VERDICTS[cut.kind]} {cut.limb}
              {cut.reach === 'ladder' ? ', ladder' : ''}
            </button>
          ))}
          {tree.shoots > 0 && (
            <button type="button" aria-pressed={shoots} onClick={() => setShoots(!shoots)}>
              {tree.shoots} young shoots
            </button>
          )}
          {besides && (
            <button type="button" aria-pressed={upkeep} onClick={() => setUpkeep(!upkeep)}>
              {tree.upkeepMinutes > 0 ? 'the ordinary yearly cutting' : 'the yearly work of its kind'}
            </button>
          )}
        </div>
      ) : (
        <div className="small">{cutsInWords(tree.cuts, tree.shoots, tree.upkeepMinutes, tree.tasks)}</div>
      )}
    </div>
  );
}
