import type { BalloonRow, JobFile } from '@early-lantern/contract';
import { productNeeds, sizeName, wantedDay } from '@early-lantern/core';

/** What is taken in a neighbouring size, in sentences: "For 4 of the 11 in. Lagoon take 12 in., blown to the same size." */
export function familyNotes(balloons: readonly BalloonRow[], file: JobFile): string[] {
  const name = (id: string) => file.workshop.colours.find((colour) => colour.id === id)?.name ?? id;
  return productNeeds(balloons, file.workshop, wantedDay(file)).flatMap(({ nominalIn, colour, fromFamily }) =>
    fromFamily.map(
      (other) =>
        `For ${other.count} of the ${sizeName(nominalIn)} ${name(colour)} take ${sizeName(other.nominalIn)}, blown to the same size.`,
    ),
  );
}
