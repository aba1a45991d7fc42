/** What the fields of a tree are called. */
const FIELDS: Record<string, string> = {
  tag: 'Tag',
  species: 'Kind',
  cultivar: 'Cultivar',
  rootstock: 'Rootstock',
  plantedYear: 'Year planted',
  bearing: 'Where it bears',
  form: 'Form now',
  formWanted: 'Form wanted',
  mainsWanted: 'Main branches wanted',
  purpose: 'Grown for',
  eastM: 'Metres east',
  northM: 'Metres north',
  targetHeightM: 'Height wanted, m',
  clearanceM: 'Clearance, m',
  inContainer: 'In a container',
  note: 'Note',
  groupName: 'Group',
  habit: 'Natural habit',
  heightSetBy: 'What sets the height',
  owner: 'Owner',
  ownerWishes: 'Owner’s wishes',
  consent: 'Consent',
};

export const fieldWords = (field: string) => FIELDS[field] ?? field;
