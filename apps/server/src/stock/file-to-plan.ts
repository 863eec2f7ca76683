import type { Availability, JobFile } from '@early-lantern/contract';
import { inArray } from 'drizzle-orm';
import type { Queries } from '../db/database.ts';
import { jobs } from '../db/schema.ts';
import { together } from '../db/together.ts';
import { workshopAsked } from '../db/which-workshop.ts';
import { assembleJobFile } from '../job-files/assemble.ts';
import type { Reckoning } from './needs-of-all.ts';
import { needsUpTo } from './needs-store.ts';
import { leftIn, NOTHING_LEFT, readSeason, type Season } from './season.ts';

/** What others lack decides in which packs is bought, not how a job is planned; and of a season it is long. */
type Left = Omit<Availability, 'othersLack'>;

/**
 * A job's file as it is planned: with what other jobs leave to it and what is not at home, so that phones, lists and calendars go by the
 * same figures as the desk.
 */
export async function fileToPlan(db: Queries, jobId: string, reckon: Reckoning): Promise<JobFile> {
  const file = await assembleJobFile(db, jobId);
  const left = await askerOf(db, reckon)(jobId);
  return { ...file, workshop: { ...file.workshop, ...left } };
}

type Asker = (jobId: string) => Promise<Left | undefined>;

/** Of each database, by workshop. */
const askers = new WeakMap<Queries, Map<string, Asker>>();

function askerOf(db: Queries, reckon: Reckoning): Asker {
  const workshop = workshopAsked() ?? '';
  const ofDatabase = askers.get(db) ?? new Map<string, Asker>();
  askers.set(db, ofDatabase);
  const asker = ofDatabase.get(workshop) ?? newAsker(db, reckon);
  ofDatabase.set(workshop, asker);
  return asker;
}

/** What was worked out of a season, as long as nothing of it changes. */
interface Memory {
  season: Season;
  left: Map<string, Left>;
}

/** Those who ask at the same time share the looking through all open jobs. */
function newAsker(db: Queries, reckon: Reckoning): Asker {
  let memory: Memory | undefined;
  return together(async (jobIds) => {
    const asked = await db
      .select({ id: jobs.id, doors: jobs.doors, usedAt: jobs.usedAt })
      .from(jobs)
      .where(inArray(jobs.id, jobIds));
    const last = new Date(Math.max(0, ...asked.map(({ doors }) => doors.getTime())));
    const season = await readSeason(db, (settings) => needsUpTo(db, settings, reckon, last));
    const known: Memory =
      memory && isSame(memory.season, season) ? memory : { season, left: new Map<string, Left>() };
    memory = known;
    const unknown = new Set(asked.flatMap(({ id, usedAt }) => (usedAt || known.left.has(id) ? [] : [id])));
    if (unknown.size > 0) {
      const found = await leftIn(db, season, (id) => unknown.has(id));
      for (const id of unknown) {
        const { othersLack: _, ...left } = found[id] ?? { ...NOTHING_LEFT, isUsed: false };
        known.left.set(id, left);
      }
    }
    const { othersLack: _, ...nothing } = NOTHING_LEFT;
    return new Map(
      asked.flatMap(({ id, usedAt }) => {
        const left = usedAt ? { ...nothing, isUsed: true } : known.left.get(id);
        return left ? [[id, left] as const] : [];
      }),
    );
  });
}

/** Needs are the same things as long as nothing of their jobs and places has changed (`needs-store.ts`). */
function isSame(one: Season, other: Season): boolean {
  const tolds = ({ told }: Season) => [...told].map(([id, { log }]) => `${id} ${log.length}`).join();
  return (
    one.needs.length === other.needs.length &&
    one.needs.every((needs, i) => needs === other.needs[i]) &&
    tolds(one) === tolds(other) &&
    JSON.stringify(one.settings) === JSON.stringify(other.settings)
  );
}
