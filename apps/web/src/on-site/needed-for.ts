import type { JobFile, PackingRow, Plan, Task } from '@early-lantern/contract';
import { freshRow, groupBy, nameIn, namesFor, topUpOf } from '@early-lantern/core';
import { rowWords } from '../load/row-words.ts';

/** So many things of one case are told as the case with what is in it. */
const A_CASE = 3;

/** What a task takes besides hands: ladders and tools by name, and what is packed for it with the bag it is in. */
export function neededFor(task: Task, file: JobFile, plan: Pick<Plan, 'packing'>): string[] {
  const names = namesFor(file);
  const anew = topUpOf(task.id);
  const topUp = anew && freshRow(anew);
  const gear = task.gear.map((id) => nameIn(id, names));
  const rows = plan.packing
    .filter(({ label }) => !gear.includes(label))
    .filter(({ forTask, id }) => forTask === task.id || (topUp !== undefined && id === topUp));
  const together = groupBy(rows, (row) => bagsOf(row)?.all ?? caseOf(row) ?? row.id);
  return [...gear, ...[...together.values()].flatMap((same) => togetherWords(same, file.workshop.units))];
}

/** Bags of the same, and what lies in one case, in one line. */
function togetherWords(rows: readonly PackingRow[], units: 'imperial' | 'metric'): string[] {
  const [first] = rows;
  const bags = first && bagsOf(first);
  if (bags && rows.length === bags.count) return [`Bags ${bags.all}, all ${bags.count}: ${bags.what}`];
  const inCase = first && caseOf(first);
  if (inCase && rows.length >= A_CASE)
    return [`${inCase}: ${rows.map((row) => rowWords(row, units)).join(', ')}`];
  return rows.map((row) => {
    const bag = caseOf(row);
    return rowWords(row, units) + (bag ? ` (${bag})` : '');
  });
}

/** Crates and cases are called by their names. */
const caseOf = ({ bag, id, label }: PackingRow): string | undefined =>
  bag && bag !== label && !id.startsWith('bag ') ? bag : undefined;

/** Which of how many bags of the same one is (`loading/bags.ts` names them). */
function bagsOf({ id, label }: PackingRow): { all: string; count: number; what: string } | undefined {
  const [, all, count] = /^bag (.+), \d+ of (\d+)$/.exec(id) ?? [];
  if (!all) return undefined;
  return { all, count: Number(count), what: label.slice(label.indexOf(': ') + 2) };
}
