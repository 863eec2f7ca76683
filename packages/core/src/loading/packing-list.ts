import type { BalloonRow, Fits, JobFile, MaterialRow, PackingRow, Task } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import { isLadder, isWagon, nameIn, namesFor } from '../clock/gear-names.ts';
import { plural } from '../quantity/plural.ts';
import { wantedDay } from '../stock/buy.ts';
import { productNeeds } from '../stock/needs.ts';
import { bagsOf } from './bags.ts';
import type { ToLoad } from './fits.ts';
import { freshRow } from './fresh-row.ts';
import { comesLater, type MadePiece, REST_OFF } from './goods.ts';
import { crateOf, cylindersFor, kitsOf, SPARES_CRATE } from './kit.ts';
import { stiffGoods } from './stiff.ts';

type Row = Omit<PackingRow, 'vehicle' | 'trip' | 'stop'> & { good: string };

/**
 * Everything that has to be there, once, with the bag or crate it goes into and the vehicle it rides in: read from the
 * counts, the materials, the clock and the kits, never typed.
 * @param spares balloons of the whole job
 */
export function packingOf(job: ToLoad, balloons: readonly BalloonRow[], fits: Fits): PackingRow[] {
  const { file } = job;
  const rows = [
    ...bagRows(job),
    ...balloonRows(job, balloons),
    ...materialRows(job),
    ...gearRows(job),
    ...kitRows(job),
  ];
  const placed = new Map(
    fits.vehicles.flatMap(({ id, trip, items }) =>
      items.map((item) => [item.id, { vehicle: id, trip, stop: item.stop }] as const),
    ),
  );
  const unplaced = new Map(fits.unplaced.map((one) => [one.id, one]));
  const all = rows.map(({ good, ...row }): PackingRow => {
    const at = placed.get(good);
    const trip = comesLater(file, unplaced.get(good)?.pieceId) ? 2 : 1;
    return {
      ...row,
      vehicle: at?.vehicle ?? null,
      trip: at?.trip ?? trip,
      stop: at?.stop ?? REST_OFF,
    };
  });
  return together(all);
}

/** Things alike that ride by themselves in one vehicle are one line. */
function together(rows: readonly PackingRow[]): PackingRow[] {
  const found = new Map<string, PackingRow>();
  for (const row of rows) {
    const key = row.bag === null ? `${row.label}|${row.vehicle}|${row.trip}` : row.id;
    const known = found.get(key);
    found.set(key, known ? { ...known, qty: known.qty + row.qty, ...gearOfBoth(known, row) } : row);
  }
  return [...found.values()];
}

/** Things alike are counted as the same. */
const gearOfBoth = ({ gear: one }: PackingRow, { gear: other }: PackingRow): Pick<PackingRow, 'gear'> =>
  one && other ? { gear: { ...one, count: one.count + other.count } } : {};

/** Stages at which balloons are put up. */
const WITH_BALLOONS = new Set<Task['stage']>(['tie', 'on-pole', 'hang', 'roof', 'dress', 'accent', 'stem']);

/** The task at which a bag of a piece is opened. */
const firstBalloonTask = (tasks: readonly Task[], pieceId: string, isFiller: boolean): string | null =>
  tasks.find(
    (task) =>
      task.pieceId === pieceId &&
      task.place === 'site' &&
      task.trip !== 'strike' &&
      (isFiller ? task.stage === 'fill' : WITH_BALLOONS.has(task.stage)),
  )?.id ?? firstTaskFor(tasks, pieceId);

/** The first task on site that a piece's things are for; null where the clock has no plan. */
const firstTaskFor = (tasks: readonly Task[], pieceId: string): string | null =>
  tasks.find((task) => task.pieceId === pieceId && task.place === 'site')?.id ?? null;

/** Every bag of balloons. */
function bagRows({ pieces, file, tasks }: ToLoad): Row[] {
  return pieces.flatMap((made, i) =>
    bagsOf(made, i, file.workshop).goods.map(
      ({ label, cargo }): Row => ({
        id: cargo.id,
        label,
        qty: 1,
        unit: 'bags',
        forTask: firstBalloonTask(tasks, made.piece.id, cargo.id.includes('-F')),
        bag: cargo.id.replace(/^bag /, ''),
        after: 'rubbish',
        why: 'made in the workshop',
        good: cargo.id,
      }),
    ),
  );
}

/** Balloons that ride uninflated: what is blown on site, and spares that the house does not blow beforehand. */
function balloonRows({ pieces, file }: ToLoad, balloons: readonly BalloonRow[]): Row[] {
  const { colours, blowsSpares } = file.workshop;
  const nameOf = (id: string) => colours.find((one) => one.id === id)?.name ?? id;
  const flat = new Map<string, number>();
  const key = (nominalIn: number, colour: string) => `${nominalIn} ${colour}`;
  for (const { recipe, batches } of pieces) {
    const onSite = batches.filter(({ place, blows }) => place === 'site' && blows);
    for (const { nominalIn, colour, count, cluster, isKept } of recipe.needs) {
      const isHere = onSite.some(
        ({ blows }) => blows?.nominalIn === nominalIn && blows.isFiller === cluster.startsWith('filler '),
      );
      if (!isKept && isHere)
        flat.set(key(nominalIn, colour), (flat.get(key(nominalIn, colour)) ?? 0) + count);
    }
  }
  const family = productNeeds(balloons, file.workshop, wantedDay(file));
  /** Where a neighbouring size is taken from the shelf in its place. */
  const orSizes = (nominalIn: number, colour: string) => {
    const own = family.find((one) => one.nominalIn === nominalIn && one.colour === colour);
    const sizes = (own?.fromFamily ?? []).map((other) => sizeName(other.nominalIn));
    return sizes.length > 0 ? ` (or ${sizes.join(', ')}, as taken from the shelf)` : '';
  };
  return balloons.flatMap(({ nominalIn, colour }, i): Row[] => {
    // Rows of other diameters are of the same balloon.
    if (balloons.findIndex((one) => one.nominalIn === nominalIn && one.colour === colour) < i) return [];
    const spare = blowsSpares
      ? 0
      : balloons
          .filter((one) => one.nominalIn === nominalIn && one.colour === colour)
          .reduce((sum, one) => sum + one.spare, 0);
    const toBlow = flat.get(key(nominalIn, colour)) ?? 0;
    if (spare + toBlow === 0) return [];
    return [
      {
        id: freshRow({ nominalIn, colour }),
        label: `${sizeName(nominalIn)} ${nameOf(colour)}, not inflated${orSizes(nominalIn, colour)}`,
        qty: spare + toBlow,
        unit: 'balloons',
        forTask: null,
        bag: 'Spares crate',
        after: 'used up',
        why: toBlow > 0 ? `${toBlow} to blow on site, ${plural(spare, 'spare')}` : 'spares',
        good: SPARES_CRATE,
      },
    ];
  });
}

/** Materials and gear of the pieces: in a crate, or riding by themselves. */
function materialRows({ materials, pieces, file, tasks }: ToLoad): Row[] {
  const inCrates = materials.flatMap((row): Row[] => {
    const crate = crateOf(row.item);
    if (!crate) return [];
    return [
      {
        id: `material ${row.label}`,
        label: row.label,
        qty: Number(row.count.toFixed(2)),
        unit: row.unit,
        forTask: null,
        bag: crate.label,
        after: afterOf(row),
        ...(row.isGear ? { gear: { item: row.item, count: row.count } } : {}),
        why: wantedBy(row),
        good: crate.id,
      },
    ];
  });
  const byThemselves = pieces.flatMap((made, i) =>
    stiffGoods(made, i, file).map(
      ({ label, cargo, gear }): Row => ({
        id: cargo.id,
        label,
        qty: 1,
        unit: 'pieces',
        forTask: firstTaskFor(tasks, made.piece.id),
        bag: null,
        after: 'comes back',
        ...(gear ? { gear } : {}),
        why: 'the piece is put up with it',
        good: cargo.id,
      }),
    ),
  );
  const helium = materials.find(({ item }) => item === 'helium');
  return [
    ...inCrates,
    ...byThemselves,
    ...(helium
      ? [
          {
            id: 'helium',
            label: 'Helium cylinder',
            qty: cylindersFor(helium.count),
            unit: 'cylinders',
            forTask: null,
            bag: null,
            after: 'comes back',
            why: 'upright, strapped, the windows open',
            good: 'helium 1',
          } satisfies Row,
        ]
      : []),
  ];
}

const afterOf = ({ isGear }: MaterialRow): PackingRow['after'] => (isGear ? 'comes back' : 'used up');

/** The pieces that want a material, as its workings name them. */
function wantedBy({ working }: MaterialRow): string {
  const names = working.map(({ label }) => label.split(': ')[0] ?? '').filter(Boolean);
  return [...new Set(names)].join(', ');
}

/** Ladders and wagons of the plan. */
function gearRows({ file, tasks }: ToLoad): Row[] {
  const names = namesFor(file);
  const first = new Map<string, string>();
  for (const { id, gear, place, trip } of tasks)
    for (const one of gear) if (place === 'site' && trip !== 'strike' && !first.has(one)) first.set(one, id);
  return [...first].flatMap(([id, task]): Row[] =>
    isWagon(id) || isLadder(id, names)
      ? [
          {
            id: `gear ${id}`,
            label: nameIn(id, names),
            qty: 1,
            unit: 'pieces',
            forTask: task,
            bag: null,
            after: 'comes back',
            gear: { item: id, count: 1 },
            why: isWagon(id) ? 'halves the trips from the kerb' : 'work up high',
            good: `gear ${id}`,
          },
        ]
      : [],
  );
}

/** What is in the kits, line by line. */
function kitRows({ file, pieces }: ToLoad): Row[] {
  return kitsOf(file, pieces, boardsOf(pieces, file)).flatMap((kit) =>
    kit.items.map(
      ({ item, label, qty, unit, after, why }): Row => ({
        id: `kit ${kit.id} ${item}`,
        label,
        qty,
        unit,
        forTask: kit.stop === 'first' ? 'unload-first' : null,
        bag: kit.label,
        after,
        why,
        good: `kit ${kit.id}`,
      }),
    ),
  );
}

const boardsOf = (pieces: readonly MadePiece[], file: JobFile): number =>
  pieces.flatMap((made, i) => stiffGoods(made, i, file)).filter(({ kind }) => kind === 'board').length;
