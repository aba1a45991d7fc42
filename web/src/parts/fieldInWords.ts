/** What fields are called where people meet them, by their names in the API. */
const NAMES: Record<string, string> = {
  on: 'the day',
  starts: 'begin',
  ends: 'end',
  birthYear: 'birth year',
  plantedYear: 'year planted',
  alongM: 'how far from its base',
  hollowCm: 'hollow',
  diameterCm: 'width at the face',
  kilos: 'kilos picked',
  number: 'fruits picked',
  bloom: 'bloom',
  people: 'who did it',
  minutes: 'person-minutes',
  shoots: 'shoots taken',
  cuts: 'the cuts',
  shed: 'what the shed holds',
  summerAllowance: 'allowance in summer',
  bigCuts: 'big cuts a year',
  monthlyMeanC: 'mean temperatures',
  monthlyRainMm: 'rain',
  eastM: 'metres east',
  northM: 'metres north',
  targetHeightM: 'height wanted',
  clearanceM: 'room beneath',
  mainsWanted: 'main branches wanted',
  timeZone: 'time zone',
  formWanted: 'form wanted',
  groupName: 'group',
  ownerWishes: 'the owner’s wishes',
};

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];

/** A field's pointer in words, for people: /data/birthYear becomes Birth year, /monthlyRainMm/2 Rain, March. */
export function fieldInWords(pointer: string): string {
  const parts = pointer.split('/').filter((part) => part !== '' && part !== 'data' && part !== 'policy');
  const last = parts.findLast((part) => !/^\d+$/.test(part)) ?? '';
  const plain = last
    .replace(/(M|Cm|Mm|C|Deg)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase();
  const name = NAMES[last] ?? plain;
  const number = /^\d+$/.test(parts.at(-1) ?? '') ? Number(parts.at(-1)) : undefined;
  const month = last.startsWith('monthly') && number !== undefined ? ', ' + MONTHS[number] : '';
  return name.charAt(0).toUpperCase() + name.slice(1) + month;
}
