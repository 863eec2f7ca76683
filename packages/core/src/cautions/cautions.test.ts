import type { HoldPiece, Piece, Spot, Task } from '@early-lantern/contract';
import { blank } from '../structure/blank-piece.ts';
import { hall, heliumBouquet, jobOf, made } from '../test/carried.ts';
import { cautionsOf } from './cautions.ts';

const column = made('packed-column', 'column');
const helium = heliumBouquet('bouquet');
const foil = made('accent', 'moon');
foil.look = { what: 'foil', shape: 'moon', text: '', sizeIn: 18, colour: 'oat' };
const boards = made('backdrop', 'boards', { what: 'boards' });
const tables = made('furnishing', 'tables');

const task = (id: string, more: Partial<Task>): Task =>
  ({ id, label: id, pieceId: 'column', cautions: [], after: [], ...more }) as unknown as Task;

interface Given {
  pieces?: Piece[];
  held?: (id: string) => Partial<HoldPiece>;
  spot?: Partial<Spot>;
  isOut?: boolean;
  tasks?: Task[];
}

/** Where each caution applies. */
function found({ pieces = [column], held = () => ({}), spot = {}, isOut = false, tasks = [] }: Given) {
  const file = jobOf(pieces, ({ site }) => {
    site.indoors = !isOut;
    site.spots = [{ ...hall, ...spot }];
  });
  const holds = {
    gustMs: 3,
    gustSource: '',
    gustBasis: 'indoors' as const,
    isOutdoors: isOut,
    pieces: pieces.map((piece) => ({ ...blank(piece, '', 1), ...held(piece.id) })),
  };
  return Object.fromEntries(cautionsOf(file, holds, tasks).map(({ code, where }) => [code, where]));
}

const stands = { cases: [{}] } as unknown as Partial<HoldPiece>;
const point = (more: object) =>
  ({ points: [{ spotXYM: { xM: 0, yM: 2 }, ...more }] }) as unknown as Partial<HoldPiece>;
const zone = (kind: string): Partial<Spot> => ({
  keepClear: [
    { id: 'z', kind, atM: { xM: 0, yM: 0 }, widthM: 1, heightM: 1 },
  ] as unknown as Spot['keepClear'],
});
const column1 = ['column'];

const letters = (balloonsEach: number) => made('banner', 'letters', { balloonsEach });

// Each caution with what calls for it, and with the nearest case that does not.
test.each<[code: string, Given, where: string[] | undefined, Given]>([
  ['ladder', { held: () => point({ ladder: 'step' }) }, column1, { held: () => point({}) }],
  ['frame-first', { held: () => stands }, column1, { held: () => point({}) }],
  ['frame-in-wind', { held: () => stands, isOut: true }, column1, { held: () => stands }],
  ['frame-in-wind', { held: () => stands, isOut: true }, column1, { isOut: true }],
  ['no-certificate', { held: () => point({}) }, ['job'], {}],
  ['no-certificate', { held: () => stands }, ['job'], {}],
  ['exits', { spot: zone('exit') }, column1, { spot: zone('sprinkler') }],
  ['exits', { spot: zone('alarm') }, column1, {}],
  ['sprinklers', { spot: zone('sprinkler') }, column1, { spot: zone('exit') }],
  ['flame', { spot: zone('candle') }, column1, { spot: zone('exit') }],
  ['children', { pieces: [tables, column] }, ['job'], { pieces: [tables, boards, foil] }],
  ['children', { pieces: [letters(1)] }, ['job'], { pieces: [letters(0)] }],
  ['latex', { pieces: [helium] }, ['job'], { pieces: [foil] }],
  ['helium', { pieces: [helium, foil] }, ['bouquet'], { pieces: [foil] }],
  ['foil', { pieces: [helium, foil] }, ['moon'], { pieces: [helium] }],
  [
    'foil',
    { pieces: [{ ...column, attachments: [{ id: 'a', name: 'Star', what: 'foil', massKg: 0.02, at: 1 }] }] },
    column1,
    {
      pieces: [{ ...column, attachments: [{ id: 'a', name: 'Rose', what: 'floral', massKg: 0.02, at: 1 }] }],
    },
  ],
  ['outdoors', { pieces: [column, boards], isOut: true }, column1, {}],
  ['outdoors', { spot: { indoors: false } }, column1, { isOut: true, spot: { indoors: true } }],
  ['outdoor-power', { isOut: true }, ['job'], { isOut: true, pieces: [tables] }],
  ['lifting', { held: () => ({ ballastKg: [5, 20.1] }) }, column1, { held: () => ({ ballastKg: [20, 20] }) }],
  [
    'lifting',
    { pieces: [boards, column] },
    ['boards'],
    { pieces: [made('backdrop', 'cloth', { what: 'curtain' })] },
  ],
  [
    'stakes',
    { held: () => ({ tieLines: [{ anchor: 'a stake' }] }) as unknown as HoldPiece },
    column1,
    { held: () => ({ tieLines: [{ anchor: 'a weight of 20 kg' }] }) as unknown as HoldPiece },
  ],
  ['overhead', { held: () => point({ spotXYM: { xM: 0, yM: 2.1 } }) }, column1, { held: () => point({}) }],
  [
    'adhesive',
    { held: () => point({ method: 'adhesive-hook' }) },
    column1,
    { held: () => point({ method: 'tie' }) },
  ],
])('%s applies where it bites and nowhere else', (code, given, where, without) => {
  expect(found(given)[code]).toEqual(where);
  expect(found(without)[code]).toBeUndefined();
});

test('a caution stands at the tasks of its piece at which it matters, and where a task itself calls for it', () => {
  const tasks = [
    task('set', { stage: 'frame' }),
    task('lines', { step: 'tie-lines', stage: 'tie' }),
    task('hang', { stage: 'hang' }),
    task('other', { stage: 'frame', pieceId: 'another' }),
    task('drive', { pieceId: undefined, cautions: ['driving'] }),
  ];
  const wind = found({ held: () => stands, isOut: true, tasks });
  expect(wind['frame-in-wind']).toEqual(['column', 'set', 'lines']);
  expect(wind['frame-first']).toEqual(['column']);
  expect(wind.driving).toEqual(['drive']);
  const high = found({ held: () => point({ spotXYM: { xM: 0, yM: 3 } }), tasks });
  expect(high.overhead).toEqual(['column', 'hang']);
});

test('every caution says its source and who decides instead', () => {
  const file = jobOf([column]);
  const holds = { gustMs: 3, gustSource: '', gustBasis: 'indoors' as const, isOutdoors: false, pieces: [] };
  const all = cautionsOf(file, holds, [task('t', { cautions: ['ladder', 'children', 'sprinklers'] })]);
  expect(all.map(({ code }) => code)).toEqual(['ladder', 'sprinklers', 'children', 'latex']);
  for (const { source, defersTo } of all)
    expect([source, defersTo].every((text) => text.length > 3)).toBe(true);
});
