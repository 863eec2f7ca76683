import type { GearAway, JobFile } from '@early-lantern/contract';
import { isLadder, nameIn, namesFor } from '../clock/gear-names.ts';
import { weightItem } from '../stock/away.ts';
import { itemLabel } from './sizes.ts';

/** What is not at home, as people call it: with how many, where there are several. Undefined of what nobody counts. */
export function awayName({ item, qty = 1 }: GearAway, file: JobFile): string | undefined {
  if (item === undefined) return undefined;
  const names = namesFor(file);
  const name = isLadder(item, names)
    ? nameIn(item, names)
    : item.startsWith(weightItem(''))
      ? item.slice(weightItem('').length)
      : itemLabel(item);
  return qty > 1 ? `${qty} × ${name}` : name;
}
