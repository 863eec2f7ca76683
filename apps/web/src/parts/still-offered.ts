/** What is offered to choose from: all but what is archived, and that too where it is chosen already. */
export const stillOffered = <T extends { id: string; isArchived?: boolean | undefined }>(
  all: readonly T[],
  chosen: readonly string[] = [],
): T[] => all.filter(({ id, isArchived }) => !isArchived || chosen.includes(id));
