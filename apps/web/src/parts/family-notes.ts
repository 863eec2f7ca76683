import type { BalloonRow, BenchBatch, JobFile } from '@early-lantern/contract';
import { productNeeds, sizeName, wantedDay } from '@early-lantern/core';

/**
 * What is taken in a neighbouring size, in sentences: "For 4 of the 11 in. Lagoon take 12 in., blown to the same size."
 *
 * @param batch of which alone it is wanted; of the whole job where it is left out
 */
export function familyNotes(
  balloons: readonly BalloonRow[],
  file: JobFile,
  batch?: Pick<BenchBatch, 'nominalIn' | 'lots'>,
): string[] {
  const name = (id: string) => file.workshop.colours.find((colour) => colour.id === id)?.name ?? id;
  const isOfIt = ({ nominalIn, colour }: { nominalIn: number; colour: string }) =>
    !batch || (batch.nominalIn === nominalIn && batch.lots.some((lot) => lot.colour === colour));
  const needs = productNeeds(balloons, file.workshop, wantedDay(file)).filter(isOfIt);
  return needs.flatMap(({ nominalIn, colour, fromFamily }) =>
    fromFamily.map(
      (other) =>
        `For ${other.count} of the ${sizeName(nominalIn)} ${name(colour)} take ${sizeName(other.nominalIn)}, blown to the same size.`,
    ),
  );
}
