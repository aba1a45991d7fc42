/** What work besides cuts is called. */
export const TASK_KINDS: Record<string, string> = {
  spread: 'Spread or tie branches',
  ties: 'Look at ties',
  'ties-off': 'Take ties off',
  suckers: 'Suckers',
  'tear-shoots': 'Tear off or choose shoots',
  'look-at-wound': 'Look at a wound',
  'look-at-tree': 'Look at a tree',
  thin: 'Thin fruit',
  'late-figs': 'Late figs',
  pick: 'Pick',
  nets: 'Nets',
  hedges: 'Hedges',
  weeds: 'Weeds',
  lime: 'Lime',
  water: 'Water',
  treatment: 'Treatment',
  tools: 'Tools',
  other: 'Something else',
};

export const TASK_STATES: Record<string, [state: string, word: string]> = {
  missed: ['no', 'its window was missed'],
  due: ['with-care', 'due'],
  coming: ['planned', 'comes'],
  done: ['yes', 'done'],
};

export const TASK_SOURCES: Record<string, string> = {
  care: 'the season asks for it',
  work: 'work done before asks for it',
  wound: 'a wound asks for it',
  hand: 'entered',
  plan: 'in the tree’s plan: done with its cuts',
};
