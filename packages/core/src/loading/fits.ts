import type { Fits, JobFile, MaterialRow, Task } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { carsOn } from '../clock/rounds.ts';
import { bagsWanted } from './bags.ts';
import { clearancesOf } from './clearances.ts';
import { goodsOf, sectionsOf } from './every-good.ts';
import { comesLater, type Good, type MadePiece } from './goods.ts';
import { jointsOf } from './joints.ts';
import { type Ride, ridesOf } from './rooms.ts';
import { runsOf, withCargo } from './runs.ts';
import { SQUEEZE } from './sizes.ts';
import { ofRound } from './together.ts';
import { QUICK, type Trip, tripOf } from './trip.ts';

/** Everything of a job that loading goes by. */
export interface ToLoad {
  file: JobFile;
  pieces: readonly MadePiece[];
  materials: readonly MaterialRow[];
  tasks: readonly Task[];
}

/**
 * What rides in which vehicle and where: sections, bags, stiff goods and kits of the first trip, then what the second
 * one comes back for. First as it should be, bags as they are and what is needed first at the door; where that does not
 * go, bags squeezed; where that does not either, in whatever order.
 * @param tries loads tried for each vehicle; `QUICK` only asks whether the volume and each thing by itself would go
 * @param seed what the search begins with
 */
export function fitsOf(job: ToLoad, tries: number, seed = job.file.job.loadSeed ?? 1): Fits {
  const { file, tasks } = job;
  const sections = sectionsOf(job, tasks);
  const runs = runsOf(file, tasks);
  const none: Fits = {
    sections,
    joints: file.site.isWorkshop ? [] : job.pieces.flatMap((made) => jointsOf(made, file)),
    vehicles: [],
    unplaced: [],
    runs: withCargo(runs, [], file),
    bags: [],
    clearances: file.site.isWorkshop
      ? []
      : file.job.pieces.flatMap((piece) => clearancesOf(piece, sections, SQUEEZE, file)),
    unmeasured: [],
    squeeze: 0,
    firstAtDoor: true,
    isQuick: tries === QUICK,
  };
  // In the workshop itself nothing is loaded.
  if (file.site.isWorkshop || job.pieces.length === 0) return none;
  const rides = ridesFor(file, tasks);
  const measured = rides.filter(({ cargo }) => cargo);
  const unmeasured = rides.filter(({ cargo }) => !cargo).map(({ name }) => name);
  if (measured.length === 0) return { ...none, unmeasured };
  const everything = { ...job, gear: gearOnSite(tasks) };
  const goods = goodsOf(everything, 0);
  const trips = [1, 2].map((trip): Trip => {
    const has = ({ pieceId }: Good) => comesLater(file, pieceId) === (trip === 2);
    // In a round the things of all its places ride together.
    const all = (own: readonly Good[], squeeze: number) => (trip === 1 ? ofRound(file, own, squeeze) : own);
    return {
      trip,
      goods: all(goods.filter(has), 0),
      squeezed: () => all(goodsOf(everything, SQUEEZE).filter(has), SQUEEZE),
    };
  });
  const loaded = trips
    .filter((one) => one.goods.length > 0)
    .map((one) => tripOf(one, measured, { tries, seed }));
  const vehicles = loaded.flatMap((one) => one.vehicles);
  return {
    ...none,
    unmeasured,
    bags: bagsWanted(goods, sections, file.workshop),
    vehicles,
    runs: withCargo(runs, vehicles, file),
    unplaced: loaded.flatMap((one) => one.unplaced),
    squeeze: Math.max(0, ...loaded.map((one) => one.squeeze)),
    firstAtDoor: loaded.every((one) => one.firstAtDoor),
  };
}

/** What the tasks of setting up on site are done with, by id. */
export const gearOnSite = (tasks: readonly Task[]): string[] => [
  ...new Set(
    tasks.filter(({ place, trip }) => place === 'site' && trip !== 'strike').flatMap(({ gear }) => gear),
  ),
];

/** The vehicles that go out, each with its driver: those of the clock; without a plan those chosen, or the first. */
function ridesFor(file: JobFile, tasks: readonly Task[]): Ride[] {
  const { job, workshop } = file;
  const drive = tasks.find(({ id }) => id === 'drive-out');
  const usual = job.vehicles ?? workshop.vehicles.slice(0, 1).map(({ id }) => id);
  const rides = ridesOf(file, 'set-up', {
    people: drive?.crew ?? job.crew,
    vehicles: drive ? drive.gear.filter((id) => !isWagon(id)) : usual,
  });
  // Cars of people's own carry nothing where nobody has said what goes in; what nobody drives stays at home.
  const own = new Set(
    carsOn(file, 'set-up')
      .filter(({ cargo }) => !cargo)
      .map(({ id }) => id),
  );
  return rides.filter(({ id, driver }, i) => !own.has(id) && (driver !== null || i === 0));
}
