import type { JobFile, PackingRow, Plan, Task } from '@early-lantern/contract';
import { freshRow, nameIn, namesFor, topUpOf } from '@early-lantern/core';
import { rowWords } from '../load/row-words.ts';

/** A task without the name of its piece, which stands above it. */
export function taskWords({ label, pieceId }: Task, { pieces }: Plan): string {
  const name = pieces.find(({ id }) => id === pieceId)?.name;
  const bare = name && label.startsWith(`${name}: `) ? label.slice(name.length + 2) : label;
  return bare.charAt(0).toUpperCase() + bare.slice(1);
}

/** The piece that a task belongs to, by name; what belongs to none, by where it is done. */
export function aboutWords({ pieceId, place }: Task, { pieces }: Plan): string {
  const name = pieces.find(({ id }) => id === pieceId)?.name;
  return name ?? { workshop: 'Workshop', road: 'On the road', site: 'On site' }[place];
}

/** What a task takes besides hands: ladders and tools by name, and what is packed for it with the bag it is in. */
export function neededFor(task: Task, file: JobFile, plan: Plan): string[] {
  const names = namesFor(file);
  const anew = topUpOf(task.id);
  const topUp = anew && freshRow(anew);
  // Crates and cases are called by their names.
  const inBag = ({ bag, id, label }: PackingRow) =>
    bag && bag !== label && !id.startsWith('bag ') ? ` (${bag})` : '';
  const gear = task.gear.map((id) => nameIn(id, names));
  return [
    ...gear,
    ...plan.packing
      .filter(({ label }) => !gear.includes(label))
      .filter(({ forTask, id }) => forTask === task.id || (topUp !== undefined && id === topUp))
      .map((row) => `${rowWords(row, file.workshop.units)}${inBag(row)}`),
  ];
}

/** Others on the same task, by first name. */
export const withWhom = (task: Task, { workshop }: JobFile, own: string | undefined): string[] =>
  task.crew
    .filter((id) => id !== own)
    .map((id) => (workshop.crew.find((one) => one.id === id)?.name ?? id).split(' ')[0] as string);
