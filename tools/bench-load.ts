import { readFileSync } from 'node:fs';
import type { JobFile } from '@early-lantern/contract';
import { planJob } from '@early-lantern/core';
import { pack3D, RotationType } from 'binpackingjs/3d';
import type { Cargo, CargoSpace } from '../packages/core/src/loading/cargo.ts';
import { violationsOf } from '../packages/core/src/loading/check.ts';
import { loadFleet } from '../packages/core/src/loading/fleet.ts';
import { LoadSearch } from '../packages/core/src/loading/pack.ts';
import { containerSet, randomLoad } from '../packages/core/src/test/cargo.ts';

const SETS = 5;
const SEARCH_MS = 1000;

/** Of the container's room, what a general-purpose library fills, without asking what carries what. */
function shareByLibrary(cargo: readonly Cargo[], { l, w, h }: CargoSpace): number {
  const turns = {
    h: [RotationType.WHD, RotationType.DHW],
    w: [RotationType.HWD, RotationType.HDW],
    l: [RotationType.DWH, RotationType.WDH],
  };
  const { packedBins } = pack3D({
    bins: [{ name: 'container', width: l, height: h, depth: w, maxWeight: 1e9 }],
    items: cargo.map(({ id, size, upright }) => ({
      name: id,
      width: size.l,
      height: size.h,
      depth: size.w,
      weight: 0,
      allowedRotations: upright.flatMap((side) => turns[side]),
    })),
  });
  const volume = packedBins
    .flatMap(({ items }) => items)
    .reduce((sum, { dimension: [a, b, c] }) => sum + a * b * c, 0);
  return volume / (l * w * h);
}

/** Loads of the classical container sets, everything carried on its whole base, beside a general-purpose library. */
export function benchLoad(report: (what: string, value: string) => void): void {
  const shares: number[] = [];
  const ratios: number[] = [];
  const mean = (all: readonly number[]) => all.reduce((sum, one) => sum + one, 0) / all.length;
  for (const types of [3, 8, 15, 20]) {
    const own: number[] = [];
    const theirs: number[] = [];
    for (let seed = 1; seed <= SETS; seed++) {
      const { cargo, space } = containerSet(types, 100 * types + seed);
      const search = new LoadSearch(cargo, space);
      const started = performance.now();
      while (performance.now() - started < SEARCH_MS && !search.isComplete) search.run(4);
      const { loaded, usedShare } = search.answer();
      if (violationsOf(loaded, cargo, space).length > 0) throw new Error('a load breaks a rule');
      own.push(usedShare);
      theirs.push(shareByLibrary(cargo, space));
    }
    shares.push(...own);
    ratios.push(mean(own) / mean(theirs));
    report(
      `container filled in ${SEARCH_MS / 1000} s, ${types} types of boxes; binpackingjs`,
      `${(100 * mean(own)).toFixed(1)} %; ${(100 * mean(theirs)).toFixed(1)} %`,
    );
  }
  report(
    'on average; times what binpackingjs fills',
    `${(100 * mean(shares)).toFixed(1)} %; ${mean(ratios).toFixed(2)}`,
  );
}

/** A day's vans: the demo's Saturday as it is packed with each plan, and 150 things over three vehicles. */
export function benchVans(report: (what: string, value: string) => void): void {
  for (const name of ['01-meadow-finish', '02-engine-shed']) {
    const file = JSON.parse(readFileSync(`demo/jobs/${name}.json`, 'utf8')) as JobFile;
    const before = performance.now();
    const { fits, lamps } = planJob(file);
    const things = fits.vehicles.reduce((sum, { items }) => sum + items.length, 0);
    report(
      `plan of ${name} with its load, ${things} things (${lamps.fits.state})`,
      `${(performance.now() - before).toFixed(0)} ms`,
    );
  }
  const loads = [11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21].map((seed) => randomLoad(seed));
  const cargo = loads
    .flatMap((load, i) => load.cargo.map((one) => ({ ...one, id: `${i} ${one.id}`, stop: 1 })))
    .slice(0, 150);
  const rooms = loads.slice(0, 3).map(({ space }) => space);
  const before = performance.now();
  const { unplaced } = loadFleet(cargo, rooms, 4);
  report(
    `${cargo.length} things over three vehicles, ${unplaced.length} left out`,
    `${(performance.now() - before).toFixed(0)} ms`,
  );
}
