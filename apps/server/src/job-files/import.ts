import { isDeepStrictEqual } from 'node:util';
import {
  coloursNamed,
  type ImportResult,
  type JobFile,
  peopleNamed,
  type Site,
  unknownNames,
} from '@early-lantern/contract';
import type { Queries } from '../db/database.ts';
import { crewRows, siteRows } from '../db/rows.ts';
import { refused } from '../http/problem.ts';
import { addJob, findJob, jobIdTaken } from '../jobs/store.ts';
import { addPiece } from '../pieces/store.ts';
import { enterCounts } from '../stock/ledger.ts';
import { addSettings, findSettings, updateSettings } from '../workshop/store.ts';
import { requireWholeSound } from './sound.ts';

/**
 * Adds the job of a file. The receiving workshop keeps its own rates, stock and people; whoever and whatever the job
 * needs beyond that (crew, site, colours) is added from the file. A job whose id is used up gets a new one; one that is here just
 * as in the file is not added again.
 */
export async function importJobFile(
  db: Queries,
  file: JobFile,
  newId: (id: string) => string,
): Promise<ImportResult> {
  const faults = unknownNames(file);
  if (faults.length > 0) throw refused(faults);
  if (await isHere(db, file)) return { jobId: file.job.id, renamed: false, wasHere: true, notes: [] };
  const notes = [...(await receiveWorkshop(db, file)), ...(await receiveCrew(db, file))];
  const site = await receiveSite(db, file.site, newId);
  if (site.note) notes.push(site.note);
  const renamed = await jobIdTaken(db, file.job.id);
  const { pieces: theirs, ...head } = file.job;
  const jobId = renamed ? newId(head.id) : head.id;
  await addJob(db, { ...head, id: jobId, siteId: site.id });
  for (const piece of theirs) await addPiece(db, jobId, piece);
  await requireWholeSound(db, jobId);
  return { jobId, renamed, wasHere: false, notes };
}

/** Whether the job of a file is here just as the file has it, at its place. */
async function isHere(db: Queries, { job, site }: JobFile): Promise<boolean> {
  const known = await findJob(db, job.id);
  if (!known) return false;
  const here = { ...known.data, pieces: known.pieces.map(({ data }) => data) };
  const place = await siteRows.find(db, known.data.siteId);
  return isDeepStrictEqual(here, job) && isDeepStrictEqual(place?.data, site);
}

async function receiveWorkshop(db: Queries, { workshop: theirs, job }: JobFile): Promise<string[]> {
  // What other jobs held there when the file was written says nothing of the shelf here.
  const {
    crew: _crew,
    reserved: _reserved,
    heldMaterials: _heldMaterials,
    othersLack: _othersLack,
    overlapping: _overlapping,
    awayGear: _awayGear,
    isUsed: _isUsed,
    ...settings
  } = theirs;
  const own = await findSettings(db);
  if (!own) {
    await addSettings(db, settings);
    await enterCounts(db, undefined, settings);
    return [];
  }
  const known = new Set(own.data.colours.map((colour) => colour.id));
  const used = new Set(coloursNamed(job.pieces).map(({ colour }) => colour));
  const missing = theirs.colours.filter((colour) => used.has(colour.id) && !known.has(colour.id));
  if (missing.length === 0) return [];
  await updateSettings(db, own.revision, { ...own.data, colours: [...own.data.colours, ...missing] });
  return [`Colours added: ${missing.map((colour) => colour.name).join(', ')}.`];
}

async function receiveCrew(db: Queries, { workshop: theirs, job }: JobFile): Promise<string[]> {
  const added: string[] = [];
  const named = peopleNamed(job);
  const first = (await crewRows.all(db)).length === 0;
  for (const member of theirs.crew) {
    const wanted = first || named.has(member.id);
    if (!wanted || (await crewRows.find(db, member.id))) continue;
    await crewRows.add(db, member);
    added.push(member.name);
  }
  return added.length && !first ? [`Crew added: ${added.join(', ')}.`] : [];
}

async function receiveSite(
  db: Queries,
  site: Site,
  newId: (id: string) => string,
): Promise<{ id: string; note?: string }> {
  const known = await siteRows.find(db, site.id);
  if (!known) {
    await siteRows.add(db, site);
    return { id: site.id };
  }
  if (isDeepStrictEqual(known.data, site)) return { id: site.id };
  const id = newId(site.id);
  await siteRows.add(db, { ...site, id });
  return { id, note: `"${site.name}" differs from the site kept here: it was added beside it.` };
}
