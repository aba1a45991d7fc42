/** Forms whose laterals are cut by buds each summer. */
const TRAINED = ['espalier', 'fan', 'cordon'];

/** What a walk asks of a kind; what its work does not need is not asked. */
export interface KindAsks {
  /** Upright shoots and root suckers: bushes and figs grow from many of them. */
  uprights: boolean;
  /** Shoots that its yearly work wants counted. */
  youngShoots?: { label: string; hint: string };
  /** How dense the crown is in leaf: bushes and figs have no small wood that nobody enters. */
  density: boolean;
  /** Whether its shoots are told by their buds. */
  buds: boolean;
  /** Whether a limb's age decides what is done to it: stems of bushes and figs, a peach's wood. */
  age: boolean;
  /** Whether a limb's part in the frame decides: what is tied in of a trained tree stays. */
  frame: boolean;
}

export function kindAsks(species: string, form: string | null | undefined): KindAsks {
  const stems = ['gooseberry', 'red-currant', 'black-currant', 'fig'].includes(species);
  const peach = species === 'peach' || species === 'nectarine';
  const trained = !stems && !!form && TRAINED.includes(form);
  return {
    uprights: !stems,
    density: !stems,
    youngShoots: shoots(species, peach, trained),
    buds: peach,
    age: stems || peach || species === 'apricot',
    frame: trained,
  };
}

function shoots(species: string, peach: boolean, trained: boolean) {
  if (peach)
    return {
      label: 'Shoots of last year',
      hint: 'Count one arm and reckon the others by it; they bear this year',
    };
  if (trained) return { label: 'Laterals', hint: 'Side shoots on what is tied in; cut by buds in summer' };
  if (species === 'plum')
    return { label: 'Long shoots', hint: 'Side shoots of the year over 60 cm; cut to two buds in July' };
  if (species === 'persimmon') return { label: 'Strong shoots', hint: 'Over 60 cm; topped in early summer' };
  return undefined;
}
