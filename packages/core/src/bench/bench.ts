import type { Grade, RateKey, Schools, Skill, Task, WorkshopSettings } from '@early-lantern/contract';
import { productLoss, sizeName } from '../balloon/catalogue.ts';
import { isFillerName } from '../piece/cluster-names.ts';
import { keptOf } from '../piece/kept.ts';
import type { Assembly, Need, Recipe } from '../piece/recipe.ts';
import { groupBy } from '../quantity/group.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { counted, plural } from '../quantity/plural.ts';
import { working } from '../working.ts';
import { inflateEffort, inflateUnits } from './inflate.ts';
import { type Effort, effort, scaled, together } from './rates.ts';

/** One person's work at the bench, before it has a time. */
export interface Batch {
  id: string;
  label: string;
  effort: Effort;
  needsInflator: boolean;
  /** Air it takes. */
  litres?: number;
  /** What whoever does it is trusted with, where anybody of the crew is. */
  skill?: Skill;
  /** What it blows. */
  blows?: NonNullable<Task['blows']>;
  place: 'workshop' | 'site';
  /** Batches of the same piece that must be done before, by id. */
  after: string[];
}

/** Nobody inflates longer than this at a stretch, and two people can share what is longer. */
const LONGEST_BATCH_S = 45 * 60;
/** Blown in the course of being made: their assembly's rate covers it. */
const BLOWN_WHILE_MADE = new Set(['links', 'helium bouquets']);

/**
 * The pre-inflation plan of a piece: balloons by size, clusters twisted and strung, fillers, bags, each where the
 * school has it done. Balloons are blown in duplets; long runs are cut into even batches.
 * @param recipe its needs as `benchNeeds` has them: with spares only where the house blows them
 */
export function benchBatches(
  recipe: Recipe,
  schools: Schools,
  settings: WorkshopSettings,
  grade: Grade = 'professional',
): Batch[] {
  if (recipe.needs.length === 0 && recipe.assemblies.length === 0) return [];
  const bySize = (needs: readonly Need[]) => sizeLots(needs, settings, grade);
  const blown = recipe.needs.filter((need) => !need.isKept && !BLOWN_WHILE_MADE.has(need.cluster));
  const isFiller = (need: Need) => isFillerName(need.cluster);
  const basePlace = schools.inflatedAt === 'site' ? 'site' : 'workshop';
  // Pairs tied in the workshop are twisted and strung where they go up.
  const isPairs = schools.inflatedAt === 'pairs-in-workshop';
  const madePlace = isPairs ? 'site' : basePlace;
  const fillerPlace = schools.inflatedAt === 'workshop' || isPairs ? 'workshop' : 'site';

  const base = blown.filter((need) => !isFiller(need));
  const blow = [
    ...toppedUp(keptOf(recipe.needs), settings, basePlace),
    ...bySize(base).flatMap((lot) => inflateBatches(lot, schools, settings, basePlace)),
    ...handled(base, settings, basePlace),
  ];
  const made = inOneGo(recipe.assemblies.filter((assembly) => assembly.part !== 'fillers')).flatMap(
    (alike, i) => assemblyBatches(alike, i, blow, settings, madePlace),
  );
  const fill = [...groupBy(blown.filter(isFiller), ({ cluster }) => cluster)].flatMap(([name, needs], i) =>
    bySize(needs).flatMap((lot) =>
      fillerBatches(lot, fillerMake(name, recipe.assemblies), i, schools, settings, fillerPlace),
    ),
  );
  const fixed = recipe.assemblies
    .filter((assembly) => assembly.part === 'fillers' && assembly.join)
    .map((assembly, i) => fixAtBench(assembly, i, [...made, ...fill], settings));
  const done = [...blow, ...made, ...fill, ...fixed];
  const atBench = done.filter((batch) => batch.place === 'workshop');
  if (atBench.length === 0) return done;
  const sections = recipe.sections.length;
  const bag: Batch = {
    id: 'bag',
    label: sections === 1 ? 'Bag and label it' : `Bag and label ${plural(sections, 'section')}`,
    effort: effort('bag-section', sections, settings),
    needsInflator: false,
    place: 'workshop',
    after: lastOf(atBench),
  };
  return [...done, bag];
}

/** Balloons kept from an earlier installation, topped up by hand pump. */
function toppedUp(kept: number, settings: WorkshopSettings, place: Batch['place']): Batch[] {
  const workFor = (count: number) => effort('top-up-kept', count, settings);
  return inParts(kept, workFor).map(({ amount, suffix }) => ({
    id: `top-up${suffix}`,
    label: `Retie and top up ${plural(amount, 'kept balloon')}`,
    effort: workFor(amount),
    needsInflator: false,
    skill: 'tying',
    place,
    after: [],
  }));
}

/** Balloons put inside others, and those folded in two, besides their blowing. */
function handled(needs: readonly Need[], settings: WorkshopSettings, place: Batch['place']): Batch[] {
  const batch = (id: string, rate: RateKey, marked: RegExp, words: string): Batch[] => {
    const amount = needs.reduce((sum, { cluster, count }) => sum + (marked.test(cluster) ? count : 0), 0);
    if (amount === 0) return [];
    const work = effort(rate, amount, settings);
    return [{ id, label: `${words}: ${amount}`, effort: work, needsInflator: false, place, after: [] }];
  };
  return [
    ...batch('stuff', 'stuff-balloon', /, inside$/, 'Put balloons inside others'),
    ...batch('fold', 'fold-duplet', /folded/, 'Fold balloons in two'),
  ];
}

/** Ids that no other batch of the list waits for. */
function lastOf(batches: readonly Batch[]): string[] {
  const waitedFor = new Set(batches.flatMap((batch) => batch.after));
  return batches.map((batch) => batch.id).filter((id) => !waitedFor.has(id));
}

/** Person-minutes at the bench, wherever it stands. */
export function benchMinutes(batches: readonly Batch[]): number {
  return together(batches.map((batch) => batch.effort)).seconds / 60;
}

interface SizeLot {
  nominalIn: number;
  /** Blown to at most, in. */
  largestIn: number;
  balloons: number;
  /** Share of them that is lost in the making. */
  loss: number;
}

function sizeLots(needs: readonly Need[], settings: WorkshopSettings, grade: Grade): SizeLot[] {
  const lots = new Map<number, { max: number; balloons: number; lost: number }>();
  for (const { nominalIn, inflatedIn, count, colour } of needs) {
    const lot = lots.get(nominalIn);
    const product = settings.colours.find(({ id }) => id === colour);
    lots.set(nominalIn, {
      max: Math.max(lot?.max ?? 0, inflatedIn.max),
      balloons: (lot?.balloons ?? 0) + count,
      lost: (lot?.lost ?? 0) + count * productLoss(product, grade).loss,
    });
  }
  return [...lots]
    .map(([nominalIn, { max, balloons, lost }]) => ({
      nominalIn,
      largestIn: max,
      balloons,
      loss: lost / Math.max(1, balloons),
    }))
    .sort((a, b) => b.nominalIn - a.nominalIn);
}

/**
 * Blowing and tying; by template every duplet is checked in its hole. The rates are those of professional stock: what
 * pops more often is blown again.
 */
function blowEffort(
  { nominalIn, loss }: SizeLot,
  count: number,
  schools: Schools,
  settings: WorkshopSettings,
): Effort {
  const blown = blownAgain(inflateEffort(nominalIn, count, settings), loss);
  if (schools.sizing !== 'template') return blown;
  return together([blown, effort('template-check', inflateUnits(nominalIn, count).units, settings)]);
}

/** Losses of a product that are well above those of professional stock cost their time. */
function blownAgain(work: Effort, loss: number): Effort {
  const usual = productLoss(undefined, 'professional').loss;
  if (loss <= usual + 1e-9) return work;
  const factor = (1 - usual) / (1 - loss);
  return scaled(work, factor, [
    working(
      'Blown again',
      '(100 − loss of professional stock) / (100 − loss)',
      [
        ['loss', loss * 100, '%'],
        ['loss of professional stock', usual * 100, '%'],
      ],
      { value: factor, unit: '×' },
      'losses as in the catalogue',
    ),
  ]);
}

function inflateBatches(
  lot: SizeLot,
  schools: Schools,
  settings: WorkshopSettings,
  place: Batch['place'],
): Batch[] {
  const workFor = (count: number) => blowEffort(lot, count, schools, settings);
  return inParts(lot.balloons, workFor).map(({ amount, suffix }, run) => ({
    id: `inflate-${lot.nominalIn}${suffix}`,
    label: `Inflate ${amount} of ${sizeName(lot.nominalIn)}`,
    effort: tiring(workFor(amount), run),
    needsInflator: true,
    litres: amount * litresOf(lot.largestIn),
    skill: 'tying',
    blows: { nominalIn: lot.nominalIn, count: amount, isFiller: false },
    place,
    after: [],
  }));
}

/** Each further run of the same goes so much more slowly: hands tire. From memory, an editable default. */
const TIRED_BY = 0.05;

/** A run of blowing after so many others of the same lot. */
function tiring(work: Effort, run: number): Effort {
  if (run === 0) return work;
  const factor = 1 + TIRED_BY * run;
  return scaled(work, factor, [
    working(
      'Hands tire',
      `1 + ${TIRED_BY} · runs before`,
      [['runs before', run]],
      { value: factor, unit: '×' },
      'from memory, an editable default',
    ),
  ]);
}

/** How a filler is made, by the name of what its balloons are tied into. */
interface FillerMake {
  /** In the plural. */
  name: string;
  size: number;
  make: RateKey | undefined;
  isFolded: boolean;
}

function fillerMake(cluster: string, assemblies: readonly Assembly[]): FillerMake {
  const found = assemblies.find(({ name }) => cluster === name || cluster.startsWith(`${name},`));
  const isFolded = cluster.includes('folded');
  // What goes inside another balloon is tied with it.
  const isInside = cluster.endsWith('inside');
  return {
    name: found?.name ?? cluster,
    size: found?.size ?? 3,
    make: isInside ? undefined : found?.make,
    isFolded,
  };
}

/** "trios" of "filler trios of 9 in.": the size stands beside it. */
const shortName = (name: string): string => name.replace('filler ', '').replace(/ of .*$|, folded$/, '');

function fillerBatches(
  lot: SizeLot,
  { name, size, make, isFolded }: FillerMake,
  index: number,
  schools: Schools,
  settings: WorkshopSettings,
  place: Batch['place'],
): Batch[] {
  // Of a balloon folded in two, two of a filler.
  const each = isFolded ? size / 2 : size;
  const workFor = (count: number) =>
    together([
      blowEffort(lot, count, schools, settings),
      ...(isFolded ? [effort('fold-duplet', count, settings)] : []),
      ...(make ? [effort(make, Math.ceil(count / each), settings)] : []),
    ]);
  const perBag = bagHolds(lot.largestIn, settings.bagM3 ?? BAG_M3, Math.max(1, Math.ceil(each)));
  return inBags(lot.balloons, perBag, workFor).map(({ amount, suffix }) => ({
    id: `fillers${index > 0 ? index + 1 : ''}-${lot.nominalIn}${suffix}`,
    label: `Fillers: ${counted(Math.ceil(amount / each), shortName(name))} of ${sizeName(lot.nominalIn)}, ${plural(Math.ceil(amount / perBag), 'bag')}`,
    effort: workFor(amount),
    needsInflator: true,
    litres: amount * litresOf(lot.largestIn),
    skill: 'tying',
    blows: { nominalIn: lot.nominalIn, count: amount, isFiller: true },
    place,
    after: [],
  }));
}

/** What is made in one go: an assembly with those after it that are only of another size. */
function inOneGo(assemblies: readonly Assembly[]): [Assembly, ...Assembly[]][] {
  const groups: [Assembly, ...Assembly[]][] = [];
  for (const one of assemblies) {
    const last = groups.at(-1);
    if (one.withBefore && last) last.push(one);
    else groups.push([one]);
  }
  return groups;
}

/** Twisting, and stringing where that is done at the bench, of one assembly in one or several sizes. */
function assemblyBatches(
  alike: readonly [Assembly, ...Assembly[]],
  index: number,
  blown: readonly Batch[],
  settings: WorkshopSettings,
  place: Batch['place'],
): Batch[] {
  const [{ name, part, make, join, joinAt }] = alike;
  const strung = joinAt === 'bench' ? join : undefined;
  if (!make && !strung) return [];
  const total = alike.reduce((sum, { count }) => sum + count, 0);
  const workFor = (amount: number) =>
    together(
      alike.flatMap((one) =>
        [one.make, strung]
          .filter((rate) => rate !== undefined)
          .map((rate) => effort(rate, (amount * one.count) / total, settings)),
      ),
    );
  const verb = make && strung ? 'Twist and string' : make ? (verbs[make] ?? 'Twist') : 'String';
  const isSelfBlown = BLOWN_WHILE_MADE.has(name);
  let done = 0;
  return inParts(total, workFor).map(({ amount, suffix }) => {
    const sizes = sizesFrom(alike, done, amount);
    done += amount;
    return {
      id: `cluster${index > 0 ? `-${part}` : ''}${suffix}`,
      label: `${verb} ${sizes.map((one) => clustersNamed(one, strung !== undefined)).join(' and ')}`,
      effort: workFor(amount),
      needsInflator: isSelfBlown,
      skill: make === 'fill-helium' ? 'helium' : 'tying',
      place,
      after: blown.map((batch) => batch.id),
    };
  });
}

/** How many of each size are among so many, the first size first. */
function sizesFrom(alike: readonly Assembly[], from: number, amount: number): Assembly[] {
  let before = 0;
  return alike.flatMap((one) => {
    const [first, after] = [before, before + one.count];
    before = after;
    const count = Math.min(after, from + amount) - Math.max(first, from);
    return count > 0 ? [{ ...one, count }] : [];
  });
}

const clustersNamed = ({ name, size, count }: Assembly, isStrung: boolean): string =>
  isStrung && name.endsWith('clusters') ? `${plural(count, 'cluster')} of ${size}` : counted(count, name);

const verbs: Partial<Record<NonNullable<Assembly['make']>, string>> = {
  'tie-bunch': 'Tie',
  'thread-letter': 'Thread',
  'link-chain': 'Blow and link',
  'fill-helium': 'Fill',
};

function fixAtBench(
  assembly: Assembly,
  index: number,
  after: readonly Batch[],
  settings: WorkshopSettings,
): Batch {
  return {
    id: `fix-fillers${index > 0 ? `-${index + 1}` : ''}`,
    label: `Fix ${counted(assembly.count, shortName(assembly.name))} on the finished sections`,
    effort: effort(assembly.join ?? 'fix-filler', assembly.count, settings),
    needsInflator: false,
    place: after.some((batch) => batch.place === 'site') ? 'site' : 'workshop',
    after: after.map((batch) => batch.id),
  };
}

/** A large bag for loose balloons, m³. From memory, an editable default. */
const BAG_M3 = 0.35;
/** Loose fillers fill so much of a bag: random packing of spheres. Derived in the engine. */
const PACKING = 0.6;

/** A ball of a diameter, in., litres. */
const litresOf = (diameterIn: number): number => (Math.PI / 6) * inchesToMetres(diameterIn) ** 3 * 1000;

/** Balloons of a diameter, in., that go loose into a bag; whole fillers of so many. */
export function bagHolds(diameterIn: number, bagM3: number, each = 3): number {
  return Math.max(each, Math.floor((PACKING * bagM3 * 1000) / litresOf(diameterIn) / each) * each);
}

/** Cut so that every batch but the last fills whole bags, and none is longer than the longest if a bag is not. */
function inBags(
  amount: number,
  perBag: number,
  workFor: (amount: number) => Effort,
): { amount: number; suffix: string }[] {
  const bags = Math.ceil(amount / perBag);
  const bagS = workFor(perBag).seconds;
  if (bags < 2 || bagS > LONGEST_BATCH_S) return inParts(amount, workFor);
  const parts = Math.ceil(bags / Math.floor(LONGEST_BATCH_S / bagS));
  const upTo = (part: number) => Math.min(amount, Math.ceil((part * bags) / parts) * perBag);
  return Array.from({ length: parts }, (_, i) => ({
    amount: upTo(i + 1) - upTo(i),
    suffix: parts > 1 ? `-${i + 1}` : '',
  }));
}

/** An amount cut into as few even parts as keep each within the longest batch. */
function inParts(amount: number, workFor: (amount: number) => Effort): { amount: number; suffix: string }[] {
  if (amount === 0) return [];
  const parts = Math.min(amount, Math.ceil(workFor(amount).seconds / LONGEST_BATCH_S));
  return Array.from({ length: parts }, (_, i) => ({
    amount: Math.floor(((i + 1) * amount) / parts) - Math.floor((i * amount) / parts),
    suffix: parts > 1 ? `-${i + 1}` : '',
  }));
}
