/** Light from dark to open as a colour of leaf; always shown with the share written beside it. */
const STEPS: [number, [number, number, number]][] = [
  [0, [54, 70, 84]],
  [0.3, [92, 128, 84]],
  [0.6, [160, 184, 92]],
  [1, [232, 208, 96]],
];

export function leafColour(light: number): string {
  const share = Math.min(1, Math.max(0, light));
  const above = STEPS.findIndex(([from]) => from >= share);
  const [to, high] = STEPS[Math.max(above, 1)]!;
  const [from, low] = STEPS[Math.max(above, 1) - 1]!;
  const part = (share - from) / (to - from);
  const mixed = low.map((value, i) => Math.round(value + (high[i]! - value) * part));
  return 'rgb(' + mixed.join(' ') + ')';
}
