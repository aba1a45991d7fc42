/** Forms whose laterals are cut by buds each summer. */
const TRAINED = ['espalier', 'fan', 'cordon'];

/** What a walk asks of a kind; what its work does not need is not asked. */
export interface KindAsks {
  /** Upright shoots and root suckers: bushes and figs grow from many of them. */
  uprights: boolean;
  /** Shoots that its yearly work wants counted. */
  youngShoots?: { label: string; hint: string };
  /** Whether its shoots are told by their buds. */
  buds: boolean;
}

export function kindAsks(species: string, form: string | null | undefined): KindAsks {
  const stems = ['gooseberry', 'red-currant', 'black-currant', 'fig'].includes(species);
  const peach = species === 'peach' || species === 'nectarine';
  return { uprights: !stems, youngShoots: shoots(species, peach, stems, form), buds: peach };
}

function shoots(species: string, peach: boolean, stems: boolean, form: string | null | undefined) {
  if (peach)
    return {
      label: 'Shoots of last year',
      hint: 'Count one arm and reckon the others by it; they bear this year',
    };
  if (!stems && form && TRAINED.includes(form))
    return { label: 'Laterals', hint: 'Side shoots on what is tied in; cut by buds in summer' };
  if (species === 'plum')
    return { label: 'Long shoots', hint: 'Side shoots of the year over 60 cm; cut to two buds in July' };
  if (species === 'persimmon') return { label: 'Strong shoots', hint: 'Over 60 cm; topped in early summer' };
  return undefined;
}
