import type { JobFile } from '@early-lantern/contract';
import { DRIVES } from './legs.ts';
import { peopleThere, ridersOn } from './rounds.ts';
import type { Work } from './work.ts';

/** Done while everybody who came is there, those who drive off among them; then, who loads out. */
const ARRIVING: ReadonlySet<string> = new Set([
  'sign-in',
  'unload-first',
  'protect-floor',
  'unload',
  'strike-sign-in',
]);
const LEAVING: ReadonlySet<string> = new Set([DRIVES['set-up'].last, DRIVES.strike.last]);

/** Who may do a task: on the road whoever rides, on site those who are there by then, else the job's people. */
export function teamFor({ id, place, trip }: Work, file: JobFile): string[] {
  const crew = trip === 'strike' ? (file.job.strikeCrew ?? file.job.crew) : file.job.crew;
  if (!trip || place === 'workshop') return [...crew];
  // A second load is fetched by one of them.
  if (place === 'road' && id !== 'second-run') return ridersOn(file, trip, id).map((one) => one.id);
  const when = ARRIVING.has(id) ? 'arriving' : LEAVING.has(id) ? 'leaving' : 'working';
  return peopleThere(file, trip)[when].map((one) => one.id);
}
