/** What somebody can be at a site. */
export const ROLES: Record<string, string> = {
  coordinator: 'Coordinator',
  leader: 'Crew leader',
  volunteer: 'Volunteer',
  owner: 'Owner',
};

export const ROLE_MEANS: Record<string, string> = {
  coordinator: 'decides everything here, and who comes in',
  leader: 'walks, logs, leads days; sees names and tickets',
  volunteer: 'own days and trees of the day; logs what was done',
  owner: 'own trees: reads, wishes, consents',
};
