/** The panes beside the drawing: in the address, and what is written on them. */
export const PANES = {
  limbs: 'Limbs',
  plan: 'Plan',
  years: 'Years',
  wood: 'Wood',
  fruit: 'Fruit',
  story: 'Story',
} as const;

export type Pane = keyof typeof PANES;

export const paneOf = (asked: string | null): Pane => (asked && asked in PANES ? (asked as Pane) : 'plan');
