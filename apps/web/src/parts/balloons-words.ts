import { isModelling, plural } from '@early-lantern/core';

/** "60 balloons"; "16 modelling balloons" where there are no others. */
export function balloonsWords(rows: readonly { nominalIn: number; need: number }[]): string {
  const count = rows.reduce((sum, { need }) => sum + need, 0);
  const onlyModelling = count > 0 && rows.every(({ nominalIn }) => isModelling(nominalIn));
  return plural(count, onlyModelling ? 'modelling balloon' : 'balloon');
}
