import type { Fits, JobFile, MaterialRow, Task } from '@early-lantern/contract';
import { isWagon } from '../clock/gear-names.ts';
import { bagsOf } from './bags.ts';
import { clearancesOf } from './clearances.ts';
import { comesLater, type Good, type MadePiece } from './goods.ts';
import { kitGoods } from './kit.ts';
import { type Ride, ridesOf } from './rooms.ts';
import { runsOf, withCargo } from './runs.ts';
import { stiffGoods } from './stiff.ts';
import { ofRound } from './together.ts';
import { QUICK, SQUEEZE, type Trip, tripOf } from './trip.ts';

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
 */
export function fitsOf(job: ToLoad, tries: number): Fits {
  const { file, tasks } = job;
  const sections = bagged(job, 0).flatMap((one) => one.sections);
  const runs = runsOf(file, tasks);
  const none: Fits = {
    sections,
    vehicles: [],
    unplaced: [],
    runs,
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
  const goods = goodsOf(job, 0);
  const trips = [1, 2].map((trip): Trip => {
    const has = ({ pieceId }: Good) => comesLater(file, pieceId) === (trip === 2);
    // In a round the things of all its places ride together.
    const all = (own: readonly Good[], squeeze: number) => (trip === 1 ? ofRound(file, own, squeeze) : own);
    return {
      trip,
      goods: all(goods.filter(has), 0),
      squeezed: () => all(goodsOf(job, SQUEEZE).filter(has), SQUEEZE),
    };
  });
  const loaded = trips.filter((one) => one.goods.length > 0).map((one) => tripOf(one, measured, tries));
  const vehicles = loaded.flatMap((one) => one.vehicles);
  return {
    ...none,
    unmeasured,
    vehicles,
    runs: withCargo(runs, vehicles, file),
    unplaced: loaded.flatMap((one) => one.unplaced),
    squeeze: Math.max(0, ...loaded.map((one) => one.squeeze)),
    firstAtDoor: loaded.every((one) => one.firstAtDoor),
  };
}

const bagged = ({ pieces, file }: ToLoad, squeeze: number) =>
  pieces.map((piece, i) => bagsOf(piece, i, file.workshop, squeeze));

/** Every thing that rides, once. */
export function goodsOf(job: ToLoad, squeeze: number): Good[] {
  const { file, pieces, materials, tasks } = job;
  const own = [
    ...bagged(job, squeeze).flatMap((one) => one.goods),
    ...pieces.flatMap((piece, i) => stiffGoods(piece, i, file)),
  ];
  const boards = own.filter(({ kind }) => kind === 'board').length;
  return [...own, ...kitGoods(file, pieces, materials, tasks, boards)];
}

/** The vehicles that go out, each with its driver: those of the clock; without a plan those chosen, or the first. */
function ridesFor(file: JobFile, tasks: readonly Task[]): Ride[] {
  const { job, workshop } = file;
  const drive = tasks.find(({ id }) => id === 'drive-out');
  const usual = job.vehicles ?? workshop.vehicles.slice(0, 1).map(({ id }) => id);
  const rides = ridesOf(file, {
    people: drive?.crew ?? job.crew,
    vehicles: drive ? drive.gear.filter((id) => !isWagon(id)) : usual,
  });
  // Cars of people's own carry nothing where nobody has said what goes in; what nobody drives stays at home.
  const own = new Set((job.cars ?? []).filter(({ cargo }) => !cargo).map(({ id }) => id));
  return rides.filter(({ id, driver }, i) => !own.has(id) && (driver !== null || i === 0));
}
