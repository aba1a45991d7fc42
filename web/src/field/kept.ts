import type { LimbFile, SideFile, SurroundingFile, SurveyFile, TreeFile } from '../api/client';

/** A survey while it is being made: whatever is known so far. Names starting with x- are the interface's own. */
export interface Draft {
  surveyedOn: string;
  tree: Partial<TreeFile>;
  limbs: Partial<LimbFile>[];
  surroundings: Partial<SurroundingFile>[];
  sides?: Partial<SideFile>[];
  years?: number | null;
  observedStage?: SurveyFile['observedStage'];
  /** Where in the walk one was. */
  'x-at'?: At;
  /** Limbs being entered or changed, by the tag they were begun with: not among the limbs yet. */
  'x-open'?: Record<string, OpenLimb>;
}

/** A place in the walk: a step, and the limb being entered. */
export interface At {
  step: number;
  limb?: string;
}

/** A limb while it is entered or changed. */
export interface OpenLimb {
  /** As it was before; only its tag for a new one. */
  start: Partial<LimbFile>;
  limb: Partial<LimbFile>;
  isNew: boolean;
  /** Whether somebody wrote its tag: then it stays, whatever the limb grows from. */
  tagged: boolean;
}

/** A log as it is entered; every touch of it is kept on the phone until it is sent. */
export interface Entry {
  key: string;
  on: string;
  /** Person-minutes: two people an hour are 120. */
  minutes: string;
  /** When work was begun, ms; undefined while nobody is at it. */
  startedAt?: number;
  /** What was worked before, ms, where work was stopped and begun again. */
  workedMs?: number;
  /** Whether somebody looked at the tree again once its big cuts were made. */
  lookedAgain?: boolean;
  people: number[];
  prunings: string;
  /** What they weighed, kg; absent where nobody weighed them. */
  pile?: string;
  shoots: string;
  note: string;
  cuts: CutEntry[];
}

export interface CutEntry {
  limb: string;
  /** Empty until something is said of it. */
  outcome: string;
  kind: string;
  alongM: string;
  wood: string;
  hollowCm: string;
  /** Width of the wood at the face. */
  faceCm?: string;
  disease: string;
  note: string;
}
