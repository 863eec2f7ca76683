import type { JobFile, Plan } from '@early-lantern/contract';
import { nameIn, namesFor } from '@early-lantern/core';

/** Each vehicle and car of the way out with who drives it and who rides along. */
export function ridesOf(file: JobFile, { fits }: Pick<Plan, 'fits'>): string[] {
  const names = namesFor(file);
  const first = (id: string) => nameIn(id, names).split(' ')[0] ?? id;
  return fits.runs
    .filter(({ trip }) => trip === 'set-up')
    .map(({ name, driver, riders }) => {
      const who = [...(driver ? [`${first(driver)} drives`] : []), ...riders.map(first)];
      return who.length > 0 ? `${name} (${who.join(', ')})` : name;
    });
}
