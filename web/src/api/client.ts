import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

type Schemas = components['schemas'];
export type Judging = Schemas['JudgingView'];
export type Me = Schemas['MeView'];
export type SignedIn = Schemas['SignedInView'];
export type Member = Schemas['MemberView'];
export type Consent = Schemas['ConsentView'];
export type SiteChange = Schemas['SiteChangeView'];
export type Invitation = Schemas['MadeView'];
export type OpenInvitation = Schemas['InvitationView'];
export type WhatIf = Schemas['WhatIfView'];
export type Wish = Schemas['Wish'];
export type Site = Schemas['SiteView'];
export type SiteData = Schemas['SiteData'];
export type Tree = Schemas['TreeView'];
export type TreeData = Schemas['TreeData'];
export type Person = Schemas['ColleagueView'];
export type Judgement = Schemas['JudgementView'];
export type Evaluation = Schemas['EvaluationAnswer'];
export type LimbAnswer = Schemas['LimbAnswer'];
export type Lane = Schemas['LaneAnswer'];
export type Drawing = Schemas['TreeDrawing'];
export type LimbDrawing = Schemas['LimbDrawing'];
export type Worded = Schemas['Worded'];
export type Ribbon = Schemas['RibbonView'];
export type SurveyFile = Schemas['SurveyFile'];
export type LimbFile = Schemas['LimbFile'];
export type FaultFile = Schemas['FaultFile'];
export type SurroundingFile = Schemas['SurroundingFile'];
export type TreeFile = Schemas['TreeFile'];
export type Survey = Schemas['SurveyView'];
export type HistoryEntry = Schemas['Entry'];
export type PlannedCut = Schemas['PlannedCutAnswer'];
export type Pin = Schemas['PinData'];
export type Time = Schemas['TimeView'];
export type PersonData = Schemas['PersonData'];
export type Day = Schemas['DayView'];
export type DayProposal = Schemas['DayProposalView'];
export type ProposedCrew = Schemas['ProposedCrew'];
export type AskedPerson = Schemas['AskedView'];
export type Letter = Schemas['LetterView'];
export type Coming = Schemas['InvitedDayView'];
export type CrewsOfDay = Schemas['CrewsView'];
export type DayPerson = Schemas['PersonView'];
export type SeasonProposal = Schemas['SeasonProposalView'];
export type Task = Schemas['TaskView'];
export type TaskData = Schemas['TaskData'];
export type Attendance = Schemas['AttendanceView'];
export type FirstListData = Schemas['FirstListData'];
export type Incident = Schemas['IncidentView'];
export type IncidentData = Schemas['IncidentData'];
export type Hours = Schemas['HoursView'];
export type DayData = Schemas['DayData'];
export type DaySummary = Schemas['DaySummary'];
export type Visit = Schemas['VisitView'];
export type VisitCut = Schemas['VisitCut'];
export type Candidate = Schemas['Candidate'];
export type Finding = Schemas['FindingView'];
export type Sheet = Schemas['SheetView'];
export type TreeSheet = Schemas['TreeSheet'];
export type Log = Schemas['LogView'];
export type LogData = Schemas['LogData'];
export type LoggedCut = Schemas['LoggedCut'];
export type ReportData = Schemas['ReportData'];
export type Report = Schemas['ReportView'];
export type Moment = Schemas['Moment'];
export type FruitData = Schemas['FruitData'];
export type Fruit = Schemas['FruitView'];
export type Wood = Schemas['WoodView'];
export type WoundData = Schemas['WoundData'];
export type LookData = Schemas['LookData'];
export type DiseaseData = Schemas['DiseaseData'];
export type TreeWood = Schemas['TreeWood'];
export type OpenWound = Schemas['OpenWound'];
export type Diseases = Schemas['DiseasesView'];
export type Answer = Schemas['AnswerView'];
export type Crop = Schemas['CropView'];
export type PickingData = Schemas['PickingData'];
export type CameOff = Schemas['CameOff'];
export type RemovalData = Schemas['RemovalData'];
export type Removal = Schemas['RemovalView'];
export type Board = Schemas['BoardView'];
export type Job = Schemas['JobView'];
export type SiteLight = Schemas['SiteLightView'];
export type FigureView = Schemas['FigureView'];
export type Opinions = Schemas['OpinionsView'];
export type Photo = Schemas['PhotoView'];
export type FieldPack = Schemas['FieldPack'];
export type FieldTree = Schemas['FieldTree'];
export type DayNote = Schemas['NoteView'];
export type SightingData = Schemas['SightingData'];
export type SideFile = Schemas['SideFile'];
export type Kind = Schemas['KindView'];
export type SeasonWindow = Schemas['WindowView'];
export type MayCut = Schemas['MayCutView'];
export type WeatherDay = Schemas['WeatherDay'];
export type Due = Schemas['DueView'];
export type PlanWishes = Schemas['PlanWishes'];
export type PlanVersion = Schemas['VersionView'];
export type VersionCut = Schemas['VersionCut'];
export type Programme = Schemas['SiteProgramme'];
export type ProgrammeTree = Schemas['ProgrammeTree'];
export type ProgrammeHours = Schemas['HoursData'];
export type TenYears = Schemas['TenYears'];

export interface FieldProblem {
  pointer: string;
  detail: string;
}

/** A request that was refused, with what to do about it. */
export class Problem extends Error {
  constructor(
    readonly status: number,
    detail: string,
    readonly errors: FieldProblem[] = [],
  ) {
    super(detail);
  }
}

/** Failures that pass: no connection, or a server that is away. */
export const passing = (error: unknown) =>
  error instanceof Problem && [0, 502, 503, 504].includes(error.status);

const PERSON = 'bough-person';

/** Who was signed in on this phone last: known without signal too. */
export const currentPersonId = () => localStorage.getItem(PERSON);
export const setCurrentPersonId = (id: number | undefined) =>
  id === undefined ? localStorage.removeItem(PERSON) : localStorage.setItem(PERSON, String(id));

/** Names the change a request made. */
const CHANGE = 'Bough-Change';

/** The last change made on this page, for whoever wants to see or undo it. */
export const lastChange = {
  id: undefined as number | undefined,
  heard: new Set<() => void>(),
  tell(id: number | undefined) {
    this.id = id;
    for (const hear of this.heard) hear();
  },
  hear: (hear: () => void) => {
    lastChange.heard.add(hear);
    return () => lastChange.heard.delete(hear);
  },
};

declare global {
  /** What was asked for before this was read, by its path (public/early.js); nothing in the worker. */
  var asked: Record<string, Promise<Response>> | undefined;
}

/** So long what was asked for early is as good as asked for now. */
const EARLY_MS = 3_000;
setTimeout(() => {
  // An answer nobody reads would keep its connection.
  for (const answer of Object.values(globalThis.asked ?? {}))
    void answer.then((early) => early.body?.cancel()).catch(() => undefined);
  globalThis.asked = undefined;
}, EARLY_MS);

const READS = ['GET', 'HEAD'];
const TOKEN = 'Bough-Token';

/** What shows the server that one of its own pages sent this: a page has it in a cookie, the worker asks for it. */
export async function token(): Promise<string> {
  const cookie = typeof document === 'undefined' ? '' : document.cookie;
  const kept = /(?:^|; )(?:__Host-)?bough-token=([^;]+)/.exec(cookie)?.[1];
  if (kept) return kept;
  const me = (await (await fetch('/api/me')).json()) as Schemas['MeView'];
  return me.token;
}

/** Asks the server; what was already asked for early is taken, once. */
export async function ask(request: Request): Promise<Response> {
  const path = request.url.slice(globalThis.location.origin.length);
  if (!READS.includes(request.method)) {
    request.headers.set(TOKEN, await token());
    return fetch(request);
  }
  const early = globalThis.asked?.[path];
  if (!early) return fetch(request);
  delete globalThis.asked![path];
  return early;
}

/** Said when the server does not know any more who is asking. */
export const signedOut = new EventTarget();
const NOBODY = 401;

export const api = createClient<paths>({ baseUrl: '/', fetch: ask });

api.use({
  onResponse({ response, schemaPath }) {
    if (response.status === NOBODY && schemaPath !== '/api/session')
      signedOut.dispatchEvent(new Event('told'));
    const change = Number(response.headers.get(CHANGE));
    // What undoing changed is told by itself.
    if (response.ok && change && !schemaPath.endsWith('/undo')) lastChange.tell(change);
    return response;
  },
  onError(wrong) {
    if (wrong.error instanceof Problem) return wrong.error;
    return new Problem(0, 'The server cannot be reached just now. Try again in a moment.');
  },
});

/** What was answered; a refusal is thrown as a Problem. */
export function unwrap<T>(answer: { data?: T; error?: unknown; response: Response }): T {
  if (answer.response.ok) return answer.data as T;
  const problem = answer.error as { detail?: string; errors?: FieldProblem[] } | undefined;
  throw new Problem(
    answer.response.status,
    problem?.detail ?? 'The request was refused (' + answer.response.status + ').',
    problem?.errors ?? [],
  );
}
