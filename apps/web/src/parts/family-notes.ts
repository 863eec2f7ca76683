import type { BalloonRow, JobFile } from '@early-lantern/contract';
import { productNeeds, sizeName, wantedDay } from '@early-lantern/core';

/** What is taken in a neighbouring size, in sentences: "Of 11 in. Lagoon take 4 of 12 in., blown alike." */
export function familyNotes(balloons: readonly BalloonRow[], file: JobFile): string[] {
  const name = (id: string) => file.workshop.colours.find((colour) => colour.id === id)?.name ?? id;
  return productNeeds(balloons, file.workshop, wantedDay(file)).flatMap(({ nominalIn, colour, fromFamily }) =>
    fromFamily.map(
      (other) =>
        `Of ${sizeName(nominalIn)} ${name(colour)} take ${other.count} of ${sizeName(other.nominalIn)}, blown alike.`,
    ),
  );
}
