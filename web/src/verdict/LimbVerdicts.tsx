import type { Judgement, LimbAnswer, Worded } from '../api/client';
import { LimbOpinions } from './LimbOpinions';
import { ShadeOf, WorthOf } from './Light';
import { State } from '../parts/State';
import { Reasons } from '../vocabulary/Reasons';
import { Said } from '../vocabulary/Said';
import { centimetres, counted, kilos, metres, percent, personMinutes } from '../parts/format';
import { Button } from 'react-bootstrap';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useDecide, useOpinions } from './queries';
import { CUT_MEANS, CUTS, REACHES, RULES, TECHNIQUES, TICKETS, TOOLS, VERDICTS } from '../vocabulary/verdict';

/** The gravest stand first; so many are read without a press. */
const SEEN_AT_ONCE = 3;

/** Shown beside the verdicts, where it is decided what to cut. */
export function Cautions({ cautions }: { cautions: Worded[] }) {
  if (cautions.length === 0) return null;
  const rest = cautions.slice(SEEN_AT_ONCE);
  const list = (some: Worded[]) => (
    <ul>
      {some.map((caution, i) => (
        <li key={i}>
          <Said text={caution.text} />
        </li>
      ))}
    </ul>
  );
  return (
    <section className="caution-list mb-2" aria-label="Take care">
      {list(cautions.slice(0, SEEN_AT_ONCE))}
      {rest.length > 0 && (
        <details>
          <summary>{counted(rest.length, 'more caution')}</summary>
          {list(rest)}
        </details>
      )}
    </section>
  );
}

/** When the plan does something to a limb. */
function turns(judgement: Judgement, limb: string): string {
  return judgement.evaluation.plan
    .flatMap((lane) =>
      lane.cuts.filter((cut) => cut.limb === limb).map((cut) => VERDICTS[cut.kind] + ' ' + lane.yearLabel),
    )
    .join(', ');
}

export function LimbVerdict({
  limb,
  judgement,
  treeId,
  onPick,
  children,
}: {
  limb: LimbAnswer;
  judgement: Judgement;
  treeId: number;
  onPick: (id: string) => void;
  /** What can be done about it. */
  children?: React.ReactNode;
}) {
  const cut = limb.cut;
  return (
    <section className="limb-verdict" aria-label={'Limb ' + limb.id} aria-live="polite">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <h2 className="mb-0">{limb.id}</h2>
        <State code={limb.verdict} word={VERDICTS[limb.verdict]!} />
        {limb.urgent && <State code="urgent" word="urgent" />}
        <span className="faint">
          {percent(limb.crownShare)} of the crown
          {limb.light != null && ', ' + percent(limb.light) + ' light'}
        </span>
      </div>
      {limb.rule && (
        <p className="faint small mb-0">
          Rule: {RULES[limb.rule]}
          {limb.behind.length > 0 && '; behind it: ' + limb.behind.map((rule) => RULES[rule]).join(', ')}
        </p>
      )}
      <Reasons reasons={limb.reasons} />
      {limb.instead && <ChooseOne limb={limb.id} instead={limb.instead} treeId={treeId} onPick={onPick} />}
      {limb.whyNot.length > 0 && (
        <details className="why-not">
          <summary>Why not?</summary>
          <Reasons reasons={limb.whyNot} />
        </details>
      )}
      {cut && (
        <p className="mb-0">
          <strong title={CUT_MEANS[cut.kind]}>{CUTS[cut.kind]}</strong>
          {cut.sideBranch ? ' ' + cut.sideBranch : ''},{' '}
          {cut.kind === 'bend' ? '' : centimetres(cut.diameterCm) + ' wide, '}
          {metres(cut.heightM)} up, {TOOLS[cut.tool]}, {REACHES[cut.reach]}; {TECHNIQUES[cut.technique]};{' '}
          {cut.weightKg >= 1 ? 'about ' + kilos(Math.round(cut.weightKg)) + '; ' : ''}
          {personMinutes(cut.minutes)}.{cut.big && ' A big cut.'}{' '}
          {cut.tickets.map((ticket) => (
            <State
              key={ticket}
              code={ticket === 'arborist' ? 'urgent' : 'with-care'}
              word={TICKETS[ticket]!}
            />
          ))}
          <br />
          <span className="faint small">{cut.bud ? cut.bud.text : CUT_MEANS[cut.kind]}</span>
        </p>
      )}
      {turns(judgement, limb.id) && <p className="mb-0">Planned: {turns(judgement, limb.id)}.</p>}
      <WorthOf limb={limb} />
      <ShadeOf limb={limb.id} judgement={judgement} onPick={onPick} />
      {children}
      <LimbOpinions limb={limb.id} verdict={limb.verdict} treeId={treeId} />
    </section>
  );
}

/** Where one of two limbs is to go, the other can be taken in one tap. */
function ChooseOne({
  limb,
  instead,
  treeId,
  onPick,
}: {
  limb: string;
  instead: string;
  treeId: number;
  onPick: (id: string) => void;
}) {
  const all = useOpinions(treeId);
  const decide = useDecide(treeId);
  const version = (of: string) => all.data?.decisions.find((one) => one.limb === of)?.version ?? 0;
  const take = async () => {
    await decide.mutateAsync({
      limb,
      version: version(limb),
      to: { verdict: 'keep', note: instead + ' goes instead' },
    });
    await decide.mutateAsync({
      limb: instead,
      version: version(instead),
      to: { verdict: 'remove', note: 'instead of ' + limb },
    });
    onPick(instead);
  };
  return (
    <div className="mb-1">
      <Button
        size="sm"
        variant="outline-primary"
        disabled={!all.data || decide.isPending}
        onClick={() => void take().catch(() => undefined)}
      >
        Take {instead} instead
      </Button>
      <ProblemAlert error={decide.error} />
    </div>
  );
}

export function LimbList({
  limbs,
  judgement,
  picked,
  onPick,
}: {
  limbs: LimbAnswer[];
  judgement: Judgement;
  picked?: string;
  onPick: (id: string) => void;
}) {
  const drawn = new Map(judgement.drawing.limbs.map((limb) => [limb.id, limb]));
  return (
    <div className="limb-list-wrap" tabIndex={0} role="region" aria-label="Limbs">
      <table className="table table-sm limb-list mb-0">
        <thead>
          <tr>
            <th>Limb</th>
            <th className="num">Width</th>
            <th className="num">Crown</th>
            <th className="num">Light</th>
            <th>Verdict</th>
            <th>Planned</th>
          </tr>
        </thead>
        <tbody>
          {limbs.map((limb) => (
            <tr key={limb.id} className={limb.id === picked ? 'picked' : ''} onClick={() => onPick(limb.id)}>
              <td>
                <button type="button" className="btn btn-link p-0" onClick={() => onPick(limb.id)}>
                  {limb.id}
                </button>
              </td>
              <td className="num">{centimetres(drawn.get(limb.id)?.diameterCm ?? 0)}</td>
              <td className="num">{percent(limb.crownShare)}</td>
              <td className="num">{limb.light == null ? '' : percent(limb.light)}</td>
              <td>
                <State code={limb.verdict} word={VERDICTS[limb.verdict]!} />
                {limb.urgent && (
                  <>
                    {' '}
                    <State code="urgent" word="urgent" />
                  </>
                )}
              </td>
              <td>{turns(judgement, limb.id).replace(/^[a-z]+ (\S+)$/, '$1')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
