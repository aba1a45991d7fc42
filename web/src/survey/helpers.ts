/** Measures got by other measures, while walking and without signal. */

const DEG = Math.PI / 180;

/** Height by a stick held upright at arm's length that just covers the tree: metres away times stick by arm. */
export const byStick = (awayM: number, stickCm: number, armCm: number) => (awayM * stickCm) / armCm;

/** Height by shadows on the same ground at the same time. */
export const byShadow = (treeShadowM: number, poleM: number, poleShadowM: number) =>
  (treeShadowM * poleM) / poleShadowM;

/** Height by the angles up to the top and down to the foot, each in degrees from level, the foot's below it. */
export const byAngles = (awayM: number, topDeg: number, footDeg: number) =>
  awayM * (Math.tan(topDeg * DEG) + Math.tan(footDeg * DEG));

/** Height by the angle up to the top alone, from an eye of known height on level ground. */
export const byAngleAndEye = (awayM: number, topDeg: number, eyeM: number) =>
  awayM * Math.tan(topDeg * DEG) + eyeM;

/** Height by a person beside the tree: how many times as tall the tree looks. */
export const byPerson = (personM: number, personOnStickCm: number, treeOnStickCm: number) =>
  (personM * treeOnStickCm) / personOnStickCm;

/** Diameter of what is round by its girth, and back; both in one unit. */
export const diameterOf = (girth: number) => girth / Math.PI;
export const girthOf = (diameter: number) => diameter * Math.PI;

/** Girth in hand-spans: how often a hand of known span goes round. */
export const girthBySpans = (spans: number, spanCm: number) => spans * spanCm;
