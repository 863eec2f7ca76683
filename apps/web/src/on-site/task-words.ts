import type { JobFile, Plan, Task } from '@early-lantern/contract';

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

/** Others on the same task, by first name. */
export const withWhom = (task: Task, { workshop }: JobFile, own: string | undefined): string[] =>
  task.crew
    .filter((id) => id !== own)
    .map((id) => (workshop.crew.find((one) => one.id === id)?.name ?? id).split(' ')[0] as string);
