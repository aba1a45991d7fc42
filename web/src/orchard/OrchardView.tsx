import { Button, Form } from 'react-bootstrap';
import { Link, useNavigate, useParams, useSearchParams } from 'react-router';
import type { SiteLight, Tree, TreeWood } from '../api/client';
import { LightPanel } from '../light/LightPanel';
import { useSiteLight } from '../light/queries';
import { Loading } from '../parts/Loading';
import { LEAD, May } from '../parts/May';
import { ProblemAlert } from '../parts/ProblemAlert';
import { State } from '../parts/State';
import { date, metres, percent, words, Words } from '../parts/format';
import { NARROW, useAfterFirst } from '../parts/useAfterFirst';
import { useTitle } from '../parts/useTitle';
import { TodayBoard } from '../today/TodayBoard';
import { DiseasePanel } from '../wood/DiseasePanel';
import { GradePanel } from '../wood/GradePanel';
import { diseaseLayer, gradeLayer } from '../wood/layers';
import { useDiseases, useSiteWood } from '../wood/queries';
import { RemovalRegister } from '../wood/RemovalRegister';
import { useChangeTree, useSite, useTrees } from '../api/orchard';
import { FirstSteps, useNotWalked } from './FirstSteps';
import { type ShownLight, SitePlan } from './SitePlan';
import { SampleStrip } from './Welcome';
import { SPECIES, TRIAGE, TRIAGE_MEANS } from '../vocabulary/orchard';
import { Icon } from '../parts/Icon';

const COLUMNS = [
  ['tag', 'Tag'],
  ['species', 'Kind'],
  ['planted', 'Planted'],
  ['height', 'Height'],
  ['triage', 'State'],
  ['light', 'In light'],
  ['surveyed', 'Surveyed'],
] as const;

/** Rows of the register that are seen first: on a phone they lie under what is to be done today and the plan. */
const FIRST_SCREEN = NARROW ? 4 : 12;

/** What the plan shows beside kinds and states, one at a time. */
const LAYERS = [
  ['', 'state'],
  ['light', 'light and shade'],
  ['room', 'room'],
  ['grade', 'wood'],
  ['disease', 'disease'],
] as const;

/** Of light, shade and room only what a layer is about. */
const of = (layer: string, { ground, trees, tooClose }: SiteLight): ShownLight =>
  layer === 'room' ? { trees: [], tooClose } : { ground, trees, tooClose: [] };

/** The site from above beside its register; picking a tree in one picks it in the other. */
export function OrchardView() {
  const siteId = Number(useParams().siteId);
  const site = useSite(siteId);
  const [params, setParams] = useSearchParams();
  const filter = {
    q: params.get('q') ?? '',
    species: params.get('species') ?? '',
    triage: params.get('triage') ?? '',
    sort: params.get('sort') ?? 'tag',
  };
  const trees = useTrees(siteId, filter);
  useTitle(site.data?.data.name);
  const picked = Number(params.get('tree')) || undefined;
  const layer = LAYERS.find(([code]) => code === params.get('layer'))?.[0] ?? '';
  const lit = layer === 'light' || layer === 'room';
  const wood = useSiteWood(siteId);
  const year = Number(params.get('year')) || undefined;
  const diseases = useDiseases(siteId, year, layer === 'disease');
  const disease = params.get('disease') ?? undefined;
  const over =
    layer === 'grade'
      ? wood.data && gradeLayer(wood.data)
      : layer === 'disease'
        ? diseases.data && diseaseLayer(diseases.data, disease)
        : undefined;
  const light = useSiteLight(siteId, lit);
  const change = useChangeTree(picked ?? 0);
  const notWalked = useNotWalked(siteId);
  const set = (changes: Record<string, string>) =>
    setParams(
      (now) => {
        Object.entries(changes).forEach(([key, value]) => (value ? now.set(key, value) : now.delete(key)));
        return now;
      },
      { replace: true },
    );
  if (!site.data || !trees.trees) return <Loading error={site.error ?? trees.error} />;
  const list = trees.trees;
  const filtered = filter.q || filter.species || filter.triage;
  const pickedTree = list.find((tree) => tree.id === picked);
  return (
    <>
      <div className="d-flex flex-wrap align-items-baseline gap-3 mb-2">
        <h1 className="mb-0">{site.data.data.name}</h1>
        <span className="faint">
          {trees.total} {trees.total === 1 ? 'tree' : 'trees'}
          {filtered ? ' found' : ''}
          {trees.more ? ', the first ' + list.length + ' shown' : ''}
        </span>
        {notWalked > 0 && (
          <Link to={'/sites/' + siteId + '/walk'}>
            {notWalked} {notWalked === 1 ? 'tree' : 'trees'} not walked
          </Link>
        )}
        <Link to={'/sites/' + siteId + '/today'}>All of today</Link>
        <May siteId={siteId} roles={LEAD}>
          <Link className="btn btn-primary btn-sm ms-auto" to={'/sites/' + siteId + '/trees/new'}>
            Add a tree
          </Link>
        </May>
      </div>
      {site.data.sample && <SampleStrip siteId={siteId} />}
      {!filtered && <FirstSteps siteId={siteId} trees={trees.total} />}
      {list.length === 0 && !filtered ? (
        <p>
          No tree is registered here yet.{' '}
          <Link to={'/sites/' + siteId + '/trees/new'}>Register the first one</Link>: its tag, its kind and
          where it stands.
        </p>
      ) : (
        <>
          {!filtered && <TodayBoard siteId={siteId} short />}
          <div className="orchard">
            <div>
              <div className="chips mb-1" role="group" aria-label="What the plan shows">
                {LAYERS.map(([code, name]) => (
                  <button
                    key={code}
                    type="button"
                    aria-pressed={layer === code}
                    onClick={() => set({ layer: code })}
                  >
                    {name}
                  </button>
                ))}
              </div>
              <SitePlan
                trees={list}
                picked={picked}
                onPick={(id) => set({ tree: String(id) })}
                light={lit ? light.data && of(layer, light.data) : undefined}
                layer={over}
                onMove={({ eastM, northM }) =>
                  pickedTree &&
                  change.mutate({ version: pickedTree.version, data: { ...pickedTree.data, eastM, northM } })
                }
              />
              <ProblemAlert error={change.error} />
              {lit &&
                (light.data ? (
                  <LightPanel siteId={siteId} light={light.data} />
                ) : (
                  <Loading error={light.error} />
                ))}
              {layer === 'grade' &&
                (wood.data ? (
                  <GradePanel siteId={siteId} wood={wood.data} />
                ) : (
                  <Loading error={wood.error} />
                ))}
              {layer === 'disease' &&
                (diseases.data ? (
                  <DiseasePanel
                    siteId={siteId}
                    seen={diseases.data}
                    disease={disease}
                    onYear={(to) => set({ year: String(to) })}
                    onDisease={(to) => set({ disease: to })}
                    today={site.data.today}
                  />
                ) : (
                  <Loading error={diseases.error} />
                ))}
              {pickedTree && <Picked tree={pickedTree} />}
            </div>
            <div>
              <div className="d-flex flex-wrap gap-2 mb-2">
                <Form.Control
                  size="sm"
                  type="search"
                  style={{ maxWidth: 200 }}
                  placeholder="Find tag, cultivar, note"
                  aria-label="Find"
                  value={filter.q}
                  onChange={(e) => set({ q: e.target.value })}
                />
                <Form.Select
                  size="sm"
                  style={{ width: 'auto' }}
                  aria-label="Kind"
                  value={filter.species}
                  onChange={(e) => set({ species: e.target.value })}
                >
                  <option value="">All kinds</option>
                  {SPECIES.map((species) => (
                    <option key={species} value={species}>
                      {Words(species)}
                    </option>
                  ))}
                </Form.Select>
                <Form.Select
                  size="sm"
                  style={{ width: 'auto' }}
                  aria-label="State"
                  value={filter.triage}
                  onChange={(e) => set({ triage: e.target.value })}
                >
                  <option value="">All states</option>
                  {Object.entries(TRIAGE).map(([code, name]) => (
                    <option key={code} value={code}>
                      {name}
                    </option>
                  ))}
                </Form.Select>
                {filtered && (
                  <Button size="sm" variant="link" onClick={() => set({ q: '', species: '', triage: '' })}>
                    Show all
                  </Button>
                )}
              </div>
              <Register
                trees={list}
                picked={picked}
                sort={filter.sort}
                set={set}
                siteId={siteId}
                grades={new Map(wood.data?.map((one) => [one.treeId, one]))}
              />
              {trees.more && (
                <p className="mt-2">
                  <Button size="sm" variant="outline-primary" disabled={trees.asking} onClick={trees.more}>
                    {trees.asking ? 'Asking for more…' : 'Show more trees'}
                  </Button>{' '}
                  <span className="faint">
                    {list.length} of {trees.total} are in the list and on the plan
                  </span>
                </p>
              )}
              <RemovalRegister siteId={siteId} />
            </div>
          </div>
        </>
      )}
    </>
  );
}

function Register({
  trees,
  picked,
  sort,
  set,
  siteId,
  grades,
}: {
  trees: Tree[];
  picked?: number;
  sort: string;
  set: (changes: Record<string, string>) => void;
  siteId: number;
  /** How sound each tree's wood is, where that is known yet. */
  grades: Map<number, TreeWood>;
}) {
  const navigate = useNavigate();
  const shown = useAfterFirst() ? trees : trees.slice(0, FIRST_SCREEN);
  if (trees.length === 0) return <p>Nothing here matches. Look for less, or show all.</p>;
  return (
    <div className="register-wrap" tabIndex={0} role="region" aria-label="Register of trees">
      <table className="table table-sm register mb-0">
        <thead>
          <tr>
            {COLUMNS.map(([key, name]) => (
              <th
                key={key}
                aria-sort={sort === key ? 'ascending' : undefined}
                className={key === 'height' || key === 'planted' || key === 'light' ? 'num' : ''}
                title={
                  key === 'light' ? 'Share of its fruiting wood with light enough for fruit buds' : undefined
                }
              >
                <button type="button" onClick={() => set({ sort: key === 'tag' ? '' : key })}>
                  {name}
                  {sort === key && <Icon name="caret-down-fill" className="small" />}
                </button>
              </th>
            ))}
            <th title="How sound its wood is, A to E">Wood</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((tree) => (
            <tr
              key={tree.id}
              className={tree.id === picked ? 'picked' : ''}
              onClick={() => set({ tree: String(tree.id) })}
              onDoubleClick={() => navigate('/sites/' + siteId + '/trees/' + tree.id)}
            >
              <td>
                <Link to={'/sites/' + siteId + '/trees/' + tree.id} onClick={(e) => e.stopPropagation()}>
                  {tree.data.tag}
                </Link>
              </td>
              <td>
                {Words(tree.data.species)}
                {tree.data.cultivar && <span className="faint"> {tree.data.cultivar}</span>}
              </td>
              <td className="num">{tree.data.plantedYear ?? ''}</td>
              <td className="num">{tree.survey ? metres(tree.survey.heightM) : ''}</td>
              <td>
                <State
                  code={tree.survey?.triage ?? 'unsurveyed'}
                  word={TRIAGE[tree.survey?.triage ?? 'unsurveyed']!}
                />
                {tree.openReports > 0 && (
                  <>
                    {' '}
                    <State code="urgent" word="reported" />
                  </>
                )}
                {!!tree.survey?.urgentLimbs && (
                  <>
                    {' '}
                    <State code="urgent" word={tree.survey.urgentLimbs + ' urgent'} />
                  </>
                )}
              </td>
              <td className="num">{tree.light?.inLight == null ? '' : percent(tree.light.inLight)}</td>
              <td className="text-nowrap">{tree.survey ? date(tree.survey.surveyedOn) : ''}</td>
              <td title={grades.get(tree.id)?.worst ?? undefined}>{grades.get(tree.id)?.grade ?? ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Picked({ tree }: { tree: Tree }) {
  const state = tree.survey?.triage ?? 'unsurveyed';
  const at = '/sites/' + tree.siteId + '/trees/' + tree.id;
  return (
    <div className="picked-tree" aria-live="polite">
      <div className="d-flex flex-wrap gap-2 align-items-baseline">
        <h2 className="mb-0">{tree.data.tag}</h2>
        <span>
          {words(tree.data.species)}
          {tree.data.cultivar ? ', ' + tree.data.cultivar : ''}
        </span>
        <State code={state} word={TRIAGE[state]!} />
        <span className="faint">{TRIAGE_MEANS[state]}</span>
      </div>
      <div className="mt-1 d-flex flex-wrap gap-2">
        <Link className="btn btn-sm btn-primary" to={at}>
          {tree.survey ? 'Judgement and plan' : 'Open'}
        </Link>
        <Link className="btn btn-sm btn-outline-primary" to={at + '/walk'}>
          Walk
        </Link>
        <Link className="btn btn-sm btn-outline-primary" to={at + '/edit'}>
          Edit
        </Link>
        <span className="faint small align-self-center">Stands elsewhere? Drag it on the plan.</span>
      </div>
    </div>
  );
}
