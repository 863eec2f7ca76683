import type { Working } from '@early-lantern/contract';
import { draftPlan, planJob } from './plan.ts';
import { evaluated } from './test/formula.ts';
import { numbers, randomPieces } from './test/random-pieces.ts';
import { demoJob } from './test/samples.ts';

/** Formulas that no pocket calculator takes: sums over parts, integrals, angles, a choice between cases. */
const NOT_READ = [
  'Σ',
  'N = Σ along the line',
  'L = Σ of short chords',
  'one after the other: √',
  '2 asin(',
  'elastica',
  'catenary',
  'min(wanted, limit · margin) ·',
  'latex 3.0 g ·',
  'dressed length /',
  'strip · (2 bars + 2 legs less',
  'press factor · sqrt(s²',
  'half the lowest + Σ',
  'columns · panel by rows · panel',
  'fewest in all with Π',
  'balloons of the string / balloons in a cluster',
  'weight · span / (8 · rise or sag)',
  '√((W/2)²',
  'of those spares at least',
  'n · (1.038 g/l · V − latex) − ribbon',
];

/** Every working of a plan, wherever it stands. */
function* workingsIn(value: unknown): Generator<Working> {
  if (typeof value !== 'object' || value === null) return;
  if ('formula' in value && 'inputs' in value) yield value as Working;
  for (const inner of Object.values(value)) yield* workingsIn(inner);
}

/** Seconds told in minutes, metres in millimetres, shares in hundredths. */
const scales = ({ unit, inputs }: Working): number[] => [
  1,
  ...(unit === 'min' && inputs.some((one) => one.unit === 's') ? [1 / 60] : []),
  ...(unit === 'mm' && inputs.some((one) => one.unit === 'm') ? [1000] : []),
  ...(unit === '%' ? [100] : []),
];

/** Inputs are shown with four digits after the point; a factor of more than 99 is shown as that. */
const isThat = (shown: number, found: number) =>
  Math.abs(shown - found) <= 4e-3 * Math.max(1, Math.abs(found)) || (shown === 99 && found > 99);

const randomJob = (seed: number) => {
  const file = structuredClone(demoJob('02-engine-shed'));
  const spotId = file.site.spots[0]?.id ?? '';
  file.job.pieces = randomPieces(numbers(seed)).map((piece) => ({ ...piece, spotId }));
  return file;
};

test('every figure is what its formula gives with the inputs that stand beside it', () => {
  const read = new Set<string>();
  const wrong = new Map<string, string>();
  const unread = new Set<string>();
  const plans = [
    ...['01-meadow-finish', '02-engine-shed', '03-glasshouse-night'].map((name) => planJob(demoJob(name))),
    ...Array.from({ length: 40 }, (_, seed) => draftPlan(randomJob(seed + 1))),
  ];
  for (const how of workingsIn(plans)) {
    const { formula, inputs, value } = how;
    if (typeof value !== 'number') continue;
    const known = new Map(
      inputs.flatMap((one) => (typeof one.value === 'number' ? [[one.name, one.value] as const] : [])),
    );
    const found = [0, 0.02].map((hair) => evaluated(formula, known, hair));
    if (found.every((one) => one === undefined)) {
      if (/[·/⌈√²]/.test(formula)) unread.add(formula);
    } else if (scales(how).some((scale) => found.some((one) => isThat(value, (one ?? Number.NaN) * scale))))
      read.add(formula);
    else wrong.set(formula, `${how.label}: ${JSON.stringify(how)} gives ${found}`);
  }
  expect([...wrong.values()]).toEqual([]);
  expect([...unread].filter((formula) => !NOT_READ.some((start) => formula.startsWith(start)))).toEqual([]);
  expect(read.size).toBeGreaterThan(55);
});

test.each([
  ['⌈L / stock length⌉', { L: 9.2, 'stock length': 3 }, 4],
  ['2 · ⌈height / section⌉', { height: 2, section: 0.35 }, 12],
  ['amount · (quick + 4 usual + slow) / 6', { amount: 3, quick: 10, usual: 15, slow: 26 }, 48],
  ['p = sqrt(D² − m²/2), m = (D + d)/2', { D: 5, m: 4 }, Math.sqrt(17)],
  [
    '⌈links / ⌊blown length / link⌋⌉ · balloons in a link',
    { links: 22, 'blown length': 16, link: 5, 'balloons in a link': 2 },
    16,
  ],
  ['L / pitch, rounded', { L: 10, pitch: 3 }, 3],
  ['columns · tape per column', { columns: 4 }, undefined],
  ['as listed', { count: 4 }, undefined],
])('"%s" is read as it is written', (formula, inputs, value) => {
  expect(evaluated(formula, new Map(Object.entries(inputs)))).toEqual(value);
});
