import type { JobFile, Plan } from '@early-lantern/contract';
import { nameIn, namesFor } from '@early-lantern/core';

/** Each vehicle and car of the way out with who drives it and who rides along. */
export function ridesOf(file: JobFile, { fits }: Pick<Plan, 'fits'>): string[] {
  const names = namesFor(file);
  const firstName = (id: string) => nameIn(id, names).split(' ')[0] ?? id;
  const out = fits.runs.filter(({ trip }) => trip === 'set-up');
  // Who comes later, to fetch the crew, has a task of their own.
  const leaves = Math.min(...out.map(({ legs }) => Date.parse(legs[0]?.leave ?? '')));
  return out
    .filter(({ legs }) => Date.parse(legs[0]?.leave ?? '') === leaves)
    .map(({ name, driver, riders }) => {
      const who = [...(driver ? [`${firstName(driver)} drives`] : []), ...riders.map(firstName)];
      return who.length > 0 ? `${name} (${who.join(', ')})` : name;
    });
}
