import { readdirSync } from 'node:fs';
import type { JobFile, Piece, Spot, Working } from '@early-lantern/contract';
import { newPiece } from '../piece/new-piece.ts';
import { planJob } from '../plan.ts';
import { demoJob } from '../test/samples.ts';
import { inTheirUnits } from './customary.ts';

/** A figure in a unit of the SI. Grams are left out: weights of helium balloons are sold in them everywhere. */
const SI = /[\d)²] ?(kg|N|N·m|Pa|m\/s|m²|m³|m|cm|mm|km|°C|l|litres|L\/s|l\/s|metres)(?![\w²³·/])/;

const isWorking = (value: object): value is Working => 'formula' in value && 'inputs' in value;

/** Every sentence of a plan, workings as they are shown in feet and pounds. */
function sentences(value: unknown): string[] {
  if (typeof value === 'string') return [value];
  if (typeof value !== 'object' || value === null) return [];
  if (Array.isArray(value)) return value.flatMap(sentences);
  if (isWorking(value)) {
    const figure = (one: { value: number | string; unit: string }) =>
      typeof one.value === 'number' ? `1 ${inTheirUnits(one.value, one.unit, 'imperial').unit}` : one.value;
    return [value.label, value.formulaInFeet ?? value.formula, ...[...value.inputs, value].map(figure)];
  }
  return Object.values(value).flatMap(sentences);
}

const spokenSi = (file: JobFile) => [
  ...new Set(
    sentences(planJob({ ...file, workshop: { ...file.workshop, units: 'imperial' } })).filter((one) =>
      SI.test(one),
    ),
  ),
];

test.each(readdirSync('demo/jobs').map((name) => name.replace('.json', '')))(
  'in a shop of feet and pounds nothing of %s is told in another unit',
  (name) => {
    expect(spokenSi(demoJob(name as Parameters<typeof demoJob>[0]))).toEqual([]);
  },
);

test('nor of weights nobody owns, lines to weights on paving, boards cut to size', () => {
  const meadow = demoJob('01-meadow-finish');
  const boards = newPiece('backdrop', {
    id: 'boards',
    name: 'Boards',
    spot: meadow.site.spots[0] as Spot,
    colours: meadow.workshop.colours.map(({ id }) => id),
    seed: 1,
  });
  const file: JobFile = {
    ...meadow,
    workshop: { ...meadow.workshop, weights: [] },
    site: { ...meadow.site, spots: meadow.site.spots.map((spot) => ({ ...spot, floor: 'paving' })) },
    job: {
      ...meadow.job,
      pieces: [
        ...meadow.job.pieces.map((piece) =>
          piece.kind === 'packed-arch' ? { ...piece, hold: { ...piece.hold, tieLines: 4 } } : piece,
        ),
        { ...boards, what: 'boards' } as Piece,
      ],
    },
  };
  const plan = planJob(file);
  expect(plan.totals.materials.map(({ label }) => label)).toEqual(
    expect.arrayContaining([
      expect.stringMatching(/66 lb, for a tie line/),
      expect.stringMatching(/board.* × /i),
    ]),
  );
  expect(spokenSi(file)).toEqual([]);
});
