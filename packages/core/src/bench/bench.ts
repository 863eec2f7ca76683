import type { Grade, RateKey, Schools, WorkshopSettings } from '@early-lantern/contract';
import { isFillerName } from '../piece/cluster-names.ts';
import { keptOf } from '../piece/kept.ts';
import type { Assembly, Need, Recipe } from '../piece/recipe.ts';
import { groupBy } from '../quantity/group.ts';
import { counted, plural } from '../quantity/plural.ts';
import { type Batch, inParts } from './batch.ts';
import { inflateBatches, sizeLots } from './blow.ts';
import { fillerBatches, fillerMake, fixAtBench } from './fillers.ts';
import { effort, together } from './rates.ts';

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
