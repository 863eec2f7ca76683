/** What somebody is in the workshop, from the one who may do most. */
export const roles = ['owner', 'lead', 'helper', 'viewer'] as const;
export type Role = (typeof roles)[number];

/** Everything that can be done, and who may. What stands nowhere here, nobody may do. */
export const rights = {
  /** See jobs, places, people and plans. */
  look: ['owner', 'lead', 'helper', 'viewer'],
  /** Tick what is packed, say that the vans have left, add photos and mark them. */
  work: ['owner', 'lead', 'helper'],
  /** Add, change and delete jobs, pieces and places; count and book stock; let a client or venue look at a job. */
  plan: ['owner', 'lead'],
  /** Set helpers' PINs, make a phone a shared one, and hand out calendars. */
  'hand out phones': ['owner', 'lead'],
  /** Change the workshop and its people, import sheets, see and make backups. */
  'run the workshop': ['owner'],
  /** See pay and prices. */
  'see money': ['owner'],
  /** Say who may do what. */
  'manage access': ['owner'],
} as const satisfies Record<string, readonly Role[]>;

export type Right = keyof typeof rights;

/** Whether somebody of that role may do something. */
export const may = (role: Role, right: Right): boolean => (rights[right] as readonly Role[]).includes(role);
