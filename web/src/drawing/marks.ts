import type { LimbAnswer } from '../api/client';

/** What is done to a limb, as it is drawn there. */
export interface Mark {
  kind: string;
  alongM: number;
  urgent: boolean;
  /** Shown beside the mark, where cuts are numbered. */
  number?: number;
}

/** The marks of the verdicts. */
export const marksOf = (limbs: Iterable<LimbAnswer>): Map<string, Mark> =>
  new Map(
    [...limbs].flatMap((limb) =>
      limb.cut
        ? [[limb.id, { kind: limb.verdict, alongM: limb.cut.alongM, urgent: limb.urgent }] as const]
        : [],
    ),
  );
