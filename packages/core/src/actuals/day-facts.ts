import type { JobFile, PersonId } from '@early-lantern/contract';
import type { Happened } from './happened.ts';

/** What is otherwise than planned, whoever said so. */
export interface DayFacts {
  absent: ReadonlySet<PersonId>;
  goneGear: ReadonlySet<string>;
  /** Bags and crates of the packing list that are lost. */
  goneBags: ReadonlySet<string>;
  /** From when the house lets the crew in, ms. */
  accessMs: number;
  /** Until when it rains on whatever is put up, ms; 0 where it does not, or under a roof. */
  rainMs: number;
  /** Tasks that are not done today. */
  leftOut: ReadonlySet<string>;
}

/** What of a day is otherwise than planned, by its log. */
export const dayFacts = ({ job, site }: Pick<JobFile, 'job' | 'site'>, happened: Happened): DayFacts => ({
  absent: new Set(happened.absent.map(({ event }) => event.person)),
  goneGear: new Set(happened.goneGear.map(({ event }) => event.gear)),
  goneBags: new Set(happened.goneBags.map(({ event }) => event.bag)),
  accessMs: Math.max(
    Date.parse(job.access.from),
    ...happened.lateAccess.slice(-1).map(({ event }) => Date.parse(event.from)),
  ),
  rainMs: site.indoors
    ? 0
    : Math.max(0, ...happened.rain.slice(-1).map(({ event }) => Date.parse(event.until))),
  leftOut: new Set(happened.replanned?.event.leftOut ?? []),
});
