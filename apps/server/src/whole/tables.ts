/** A table of a workshop's own rows, as it goes into an export. */
export interface Exported {
  name: string;
  /** In which order its rows are written, and so come back. */
  order: string;
  /** Columns that stay behind: numbers that the database gives anew, and secrets. */
  without: readonly string[];
}

const numbered = ['id'];

/**
 * All that somebody has typed, counted, ticked or signed, in the order in which it can be brought in. Left out is what is worked
 * out again, and what lets somebody in: passwords, sessions, shared phones and links are made anew where it is brought in.
 */
export const exported: readonly Exported[] = [
  { name: 'workshop', order: 'id', without: [] },
  { name: 'shelf', order: 'position', without: ['position'] },
  { name: 'orders', order: 'position', without: ['position'] },
  { name: 'items', order: 'position', without: ['position'] },
  { name: 'crew', order: 'id', without: [] },
  { name: 'sites', order: 'id', without: [] },
  { name: 'jobs', order: 'id', without: [] },
  { name: 'pieces', order: 'job_id, id', without: [] },
  { name: 'pack_ticks', order: 'job_id, "row"', without: [] },
  { name: 'departures', order: 'job_id', without: [] },
  { name: 'site_entries', order: 'seq', without: ['seq'] },
  { name: 'photos', order: 'job_id, id', without: [] },
  { name: 'templates', order: 'id', without: [] },
  { name: 'versions', order: 'id', without: numbered },
  { name: 'movements', order: 'id', without: numbered },
  { name: 'item_movements', order: 'id', without: numbered },
  {
    name: 'accounts',
    order: 'id',
    without: ['password_hash', 'pin_hash', 'wrong_tries', 'locked_until', 'invite_hash', 'invited_until'],
  },
];

/** Tables of workshops that no export has. */
export const leftOut = [
  'calendar_links',
  'job_lamps',
  'job_links',
  'job_needs',
  'job_words',
  'phones',
  'sessions',
];

/** What an export begins with. */
export const FORMAT = 'early-lantern/workshop';
