import { Button, Form } from 'react-bootstrap';
import { Link, useParams, useSearchParams } from 'react-router';
import type { Answer } from '../api/client';
import { useSite } from '../api/orchard';
import { counted, minutes, percent, Words, words } from '../parts/format';
import { Loading } from '../parts/Loading';
import { DECIDE, LEAD, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { useTitle } from '../parts/useTitle';
import { DISEASES } from '../vocabulary/survey';
import { Intervals, Picture, ShareBars, YearBars } from './pictures';
import { useAccept, useAlways, useAnswer } from './queries';
import {
  biennialSays,
  cropsSay,
  cuttingSays,
  fruitSays,
  learnedSays,
  lightSays,
  round,
  slopeSays,
} from './sentences';

const LETTERS = ['A', 'B', 'C', 'D', 'E'];
const TABLES = ['years', 'cutting', 'efficiency', 'wounds', 'grades', 'learned'];
const SHOWN_TREES = 12;
const SHOWN_FAINT = 4;

/** The orchard's year: ten pictures, each with a sentence; what was learned; what to look at. To be printed for a committee. */
export function AnswerView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const [params, setParams] = useSearchParams();
  const kind = params.get('kind') ?? undefined;
  const group = params.get('group') ?? undefined;
  const answer = useAnswer(siteId, kind, group);
  useTitle('Answer');
  if (!site.data || !answer.data) return <Loading error={site.error ?? answer.error} />;
  const ask = (of: string) => {
    const [what, name] = of.split(':');
    setParams(what && name ? { [what]: name } : {}, { replace: true });
  };
  return (
    <Pictures
      siteId={siteId}
      name={site.data.data.name}
      of={answer.data}
      asked={kind ? 'kind:' + kind : group ? 'group:' + group : ''}
      ask={ask}
    />
  );
}

function Pictures({
  siteId,
  name,
  of,
  asked,
  ask,
}: {
  siteId: number;
  name: string;
  of: Answer;
  /** Of which trees: all, or kind: or group: and its name. */
  asked: string;
  ask: (of: string) => void;
}) {
  const { years, light, wounds, answers } = of;
  const worked = years.filter((year) => year.tookMinutes > 0);
  const took = worked.reduce((sum, year) => sum + year.tookMinutes, 0);
  const reckoned = worked.reduce((sum, year) => sum + year.reckonedMinutes, 0);
  const graded = years.filter((year) => Object.keys(year.grades).length > 0);
  const last = graded.at(-1);
  const poor = (last?.grades.D ?? 0) + (last?.grades.E ?? 0);
  const spreading = answers.disease.filter((one) => one.p < 0.1 && one.sick > 1);
  // What tells stands first; of what does not yet, a few.
  const known = answers.response.trees
    .filter((one) => one.effect != null)
    .sort((one, other) => other.effect! - one.effect!);
  const tells = known.filter((one) => one.says !== 'too-little-to-tell').slice(0, SHOWN_TREES);
  const trees = [...tells, ...known.filter((one) => !tells.includes(one)).slice(0, SHOWN_FAINT)];
  return (
    <div className="answer">
      <div className="d-flex gap-3 align-items-baseline flex-wrap">
        <h1 className="mb-0">
          {name}: what the trees answer{' '}
          <small className="faint">
            {of.year}
            {asked && ', ' + words(asked.slice(asked.indexOf(':') + 1)) + ' alone'}
          </small>
        </h1>
        <Form.Select
          size="sm"
          className="no-print"
          style={{ width: 'auto', maxWidth: 220 }}
          aria-label="Of which trees"
          value={asked}
          onChange={(e) => ask(e.target.value)}
        >
          <option value="">All trees</option>
          {of.kinds.map((kind) => (
            <option key={kind} value={'kind:' + kind}>
              {Words(kind)}
            </option>
          ))}
          {of.groups.map((group) => (
            <option key={group} value={'group:' + group}>
              {group}
            </option>
          ))}
        </Form.Select>
        <Button className="no-print" size="sm" variant="outline-primary" onClick={() => window.print()}>
          Print
        </Button>
        <Link className="no-print" to={'/sites/' + siteId + '/harvest'}>
          Harvest day
        </Link>
        <Link className="no-print" to={'/sites/' + siteId + '/thinning'}>
          Fruit to leave
        </Link>
        <Link className="no-print" to={'/sites/' + siteId + '/looks'}>
          Wounds to look at
        </Link>
      </div>
      <div className="answer-pictures">
        <Picture title="Fruit" says={fruitSays(years) + cropsSay(of.crops)}>
          <YearBars
            label={
              'Kilos picked by year: ' +
              years.map((year) => year.year + ' ' + Math.round(year.kilos ?? 0)).join(', ')
            }
            bars={years
              .filter((year) => year.kilos != null)
              .map((year) => ({
                year: year.year,
                parts: [{ value: year.kilos!, className: 'fruit' }],
                top: years.length < 10 ? Math.round(year.kilos!) + ' kg' : undefined,
              }))}
          />
        </Picture>
        <Picture title="What cutting did for the fruit" says={cuttingSays(answers.response)}>
          {trees.length > 0 && (
            <Intervals
              label="Fruit after cutting against like trees, by tree"
              zeroName="as like trees"
              write={(value) => (value > 0 ? '+' : '') + Math.round((Math.exp(value) - 1) * 100) + ' %'}
              rows={trees.map((one) => ({
                name: one.label + ', ' + one.pruningYear,
                value: one.effect,
                low: one.low,
                high: one.high,
                faint: one.says === 'too-little-to-tell',
              }))}
            />
          )}
        </Picture>
        <Picture title="By share, season, kind and size of cut" says={slopeSays(answers.response.slope)}>
          <Intervals
            label="Fruit by share of the crown taken"
            zeroName="as like trees"
            write={(value) => (value > 0 ? '+' : '') + Math.round((Math.exp(value) - 1) * 100) + ' %'}
            rows={[
              ...answers.response.byShare.map((one) => ({ ...one, name: shareName(one.from, one.to) })),
              ...answers.response.bySeason.map((one) => ({ ...one, name: Words(one.season) })),
              ...(of.byKind.length > 1 ? of.byKind.map((one) => ({ ...one, name: Words(one.kind) })) : []),
              { ...answers.response.bigCuts, name: 'Big cuts' },
              { ...answers.response.smallCuts, name: 'Small cuts' },
              { ...answers.size.all, name: 'Fruit size' },
              { ...answers.shoots.all, name: 'End shoots' },
              { ...answers.light.all, name: 'Light' },
            ].map(({ name, effect, low, high }) => ({ name, value: effect, low, high }))}
          />
        </Picture>
        <Picture
          title="Light"
          says={light.inLight == null ? 'No fruiting wood was entered yet.' : lightSays(light)}
        >
          {light.inLight != null && (
            <ShareBars
              label="Fruiting wood in light"
              shares={
                [
                  ['today', light.inLight],
                  ['of it what stays', light.inLightStaying],
                  ['after the plans', light.inLightAfter],
                ].filter(([, share]) => share != null) as [string, number][]
              }
            />
          )}
        </Picture>
        <Picture
          title="Work"
          says={
            took === 0
              ? 'Nothing was logged yet.'
              : `In all ${minutes(took)} of work were logged where ${minutes(reckoned)} were reckoned, on ${counted(
                  worked.reduce((sum, year) => sum + year.cuts, 0),
                  'cut',
                )}.`
          }
        >
          <YearBars
            label={
              'Person-hours logged by year: ' +
              worked.map((year) => year.year + ' ' + Math.round(year.tookMinutes / 60)).join(', ')
            }
            bars={worked.map((year) => ({
              year: year.year,
              parts: [{ value: year.tookMinutes, className: 'work' }],
              top: Math.round(year.tookMinutes / 60) + ' h',
            }))}
          />
        </Picture>
        <Picture
          title="Shoots that answer cuts"
          says={
            learnedSays(answers.learned, 'regrowth') +
            (answers.tooHard.length > 0
              ? ` Cut too hard: ${answers.tooHard.map((one) => one.label + ' in ' + one.pruningYear).join(', ')}.`
              : '')
          }
        >
          <Intervals
            label="Shoots for each square metre of leaf cut and share of the crown"
            zero={6}
            zeroName="as shipped, 6"
            write={(value) => String(round(value))}
            rows={answers.learned
              .filter((one) => one.what === 'regrowth')
              .map((one) => ({
                name: words(one.kind ?? '') + (one.cut === 'heading' ? ', headed' : ', thinned'),
                value: one.value,
                low: one.low,
                high: one.high,
              }))}
          />
        </Picture>
        <Picture
          title="Wounds"
          says={
            <>
              {wounds.closing} closing, {wounds.closed} closed, {wounds.notClosing} not closing;{' '}
              <Link to={'/sites/' + siteId + '/looks'}>{wounds.due} to look at</Link>.{' '}
              {learnedSays(answers.learned, 'closing')}
            </>
          }
        >
          <ShareBars
            label="Wounds by what becomes of them"
            shares={(
              [
                ['closing', wounds.closing],
                ['closed', wounds.closed],
                ['not closing', wounds.notClosing],
              ] as [string, number][]
            ).map(([word, number]) => [
              word,
              number / Math.max(1, wounds.closing + wounds.closed + wounds.notClosing),
            ])}
          />
        </Picture>
        <Picture
          title="How sound the wood is"
          says={
            last
              ? `${poor} of ${counted(
                  Object.values(last.grades).reduce((sum, number) => sum + number, 0),
                  'tree',
                )} are poor or failing (D, E).`
              : 'No tree was walked yet.'
          }
        >
          <YearBars
            label="Trees by grade and year"
            bars={graded.map((year) => ({
              year: year.year,
              parts: [...LETTERS]
                .reverse()
                .map((letter) => ({ value: year.grades[letter] ?? 0, className: 'graded-' + letter })),
            }))}
          />
          <p className="legend">
            {LETTERS.map((letter) => (
              <span key={letter}>
                <i className={'graded-' + letter} aria-hidden /> {letter}
              </span>
            ))}
          </p>
        </Picture>
        <Picture title="Every other year" says={biennialSays(answers.biennial)}>
          <Intervals
            label="Biennial bearing index by tree"
            zeroName="steady"
            write={(value) => value.toFixed(2)}
            rows={answers.biennial
              .filter((one) => one.index != null)
              .sort((one, other) => other.index! - one.index!)
              .slice(0, 8)
              .map((one) => ({ name: one.label, value: one.index }))}
          />
        </Picture>
        <Picture
          title="What to look at"
          says={
            spreading.length > 0
              ? Words(spreading.map((one) => DISEASES[one.kind]).join(' and ')) + ' goes from tree to tree.'
              : 'No disease lies closer together than chance has it.'
          }
        >
          <ul>
            {of.lookAt.map((one) => (
              <li key={one}>{one}</li>
            ))}
            {of.lookAt.length === 0 && <li>Nothing stands out.</li>}
          </ul>
        </Picture>
      </div>
      <Learned siteId={siteId} of={of} />
      <p className="no-print d-flex flex-wrap gap-2">
        As tables (CSV):{' '}
        <May siteId={siteId} roles={LEAD}>
          {TABLES.map((table) => (
            <a
              key={table}
              href={
                '/api/sites/' +
                siteId +
                '/answer.csv?table=' +
                table +
                (asked && '&' + asked.replace(/:(.*)/, (_, name: string) => '=' + encodeURIComponent(name)))
              }
            >
              {table}
            </a>
          ))}
          <a href={'/api/sites/' + siteId + '/fruit.csv'}>fruit</a>
        </May>
      </p>
    </div>
  );
}

const shareName = (from: number, to: number) =>
  from === 0
    ? 'under ' + percent(to)
    : to === 1
      ? percent(from) + ' and more'
      : percent(from) + ' to ' + percent(to);

/** What the orchard's own records would have otherwise, beside what was shipped; accepted it is what plans go by. */
function Learned({ siteId, of }: { siteId: number; of: Answer }) {
  const accept = useAccept(siteId);
  const always = useAlways(siteId);
  return (
    <section aria-label="Learned from your own records">
      <h2>Learned from your own records</h2>
      {of.proposals.length === 0 ? (
        <p>Nothing yet: log what the work takes, and what grows back near cuts.</p>
      ) : (
        <div className="table-responsive" tabIndex={0} role="region" aria-label="Learned numbers">
          <table className="table table-sm">
            <thead>
              <tr>
                <th>Number</th>
                <th>Shipped</th>
                <th>Yours</th>
                <th>Four times of five</th>
                <th>Cases</th>
                <th>You go by</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {of.proposals.map((one) => (
                <tr key={one.figure + (one.kind ?? '')}>
                  <td style={{ minWidth: '13rem' }}>
                    {one.kind ? <span className="ps-3">{words(one.kind)} alone</span> : Words(one.meaning)}
                  </td>
                  <td>
                    {round(one.shipped)} {one.unit}
                  </td>
                  <td>
                    <strong>{one.value.toFixed(2)}</strong>
                  </td>
                  <td className="text-nowrap">
                    {one.low.toFixed(2)} to {one.high.toFixed(2)}
                  </td>
                  <td>{one.cases}</td>
                  <td>{one.now.toFixed(2)}</td>
                  <td>
                    <May siteId={siteId} roles={DECIDE}>
                      {Math.abs(one.now - one.value) > 0.005 && (
                        <Button
                          size="sm"
                          variant="outline-primary"
                          disabled={accept.isPending}
                          onClick={() => accept.mutate({ figure: one.figure, kind: one.kind ?? undefined })}
                          aria-label={
                            'Go by ' +
                            one.value.toFixed(2) +
                            ' for ' +
                            words(one.figure) +
                            (one.kind ? ', ' + words(one.kind) : '')
                          }
                        >
                          Go by yours
                        </Button>
                      )}
                    </May>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <ProblemAlert error={accept.error ?? always.error} />
      <May siteId={siteId} roles={DECIDE}>
        <Form.Check
          type="switch"
          id="always"
          className="no-print mb-2"
          label="Always go by what your records teach: looked at once a day, each change in the history"
          checked={always.isPending ? always.variables : of.always}
          disabled={always.isPending}
          onChange={(e) => always.mutate(e.target.checked)}
        />
      </May>
      <p className="small faint">
        Yours lies between what was shipped and what your records say, nearer to these the more there are.
        What you go by stands in <Link to={'/sites/' + siteId + '/figures'}>the numbers</Link>, can be put
        back there, and is used by plans, the years ahead, days and the programme.
      </p>
    </section>
  );
}
