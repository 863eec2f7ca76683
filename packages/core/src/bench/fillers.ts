import type { RateKey, Schools, WorkshopSettings } from '@early-lantern/contract';
import { sizeName } from '../balloon/catalogue.ts';
import type { Assembly } from '../piece/recipe.ts';
import { counted, plural } from '../quantity/plural.ts';
import { looseBagM3 } from './bag-types.ts';
import { type Batch, bagHolds, inBags, litresOf } from './batch.ts';
import { blowEffort, type SizeLot } from './blow.ts';
import { effort, together } from './rates.ts';

/** How a filler is made, by the name of what its balloons are tied into. */
interface FillerMake {
  /** In the plural. */
  name: string;
  size: number;
  make: RateKey | undefined;
  isFolded: boolean;
}

export function fillerMake(cluster: string, assemblies: readonly Assembly[]): FillerMake {
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

export function fillerBatches(
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
  const perBag = bagHolds(lot.largestIn, looseBagM3(settings), Math.max(1, Math.ceil(each)));
  return inBags(lot.balloons, perBag, workFor).map(({ amount, suffix }) => ({
    id: `fillers${index > 0 ? index + 1 : ''}-${lot.nominalIn}${suffix}`,
    label: `Fillers: ${counted(Math.ceil(amount / each), shortName(name))} of ${sizeName(lot.nominalIn)}, ${plural(Math.ceil(amount / perBag), 'bag')}`,
    effort: workFor(amount),
    needsInflator: true,
    litres: amount * litresOf(lot.largestIn),
    bags: Math.ceil(amount / perBag),
    skill: 'tying',
    blows: { nominalIn: lot.nominalIn, count: amount, isFiller: true },
    place,
    after: [],
  }));
}

export function fixAtBench(
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
