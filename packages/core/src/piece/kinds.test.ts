import { Piece, type PieceKind, type PieceOf } from '@early-lantern/contract';
import { nestedPitch, ringOuterDiameter, ringRadius, squarePitch } from '../geometry/rings.ts';
import { inchesToMetres, METRES_PER_FOOT } from '../quantity/length.ts';
import { kindOf, kinds } from './kinds.ts';
import { newPiece } from './new-piece.ts';
import { coloursWithoutRoom } from './pattern-of.ts';
import { pictureOf } from './picture-of.ts';
import type { Recipe } from './recipe.ts';
import { recipeOf } from './recipe-of.ts';
import { ballCount } from './topiary.ts';

const context = {
  id: 'piece',
  name: 'Piece',
  spot: { id: 'wall', widthM: 6, heightM: 3 },
  colours: ['a', 'b', 'c', 'd'],
  seed: 4,
};
const all = Object.keys(kinds) as PieceKind[];

function make<K extends PieceKind>(kind: K, more: Partial<PieceOf<K>> = {}): PieceOf<K> {
  return { ...newPiece(kind, context), ...more } as PieceOf<K>;
}
const need = (recipe: Recipe, filter: Partial<Recipe['needs'][number]> = {}) =>
  recipe.needs
    .filter((one) => Object.entries(filter).every(([key, value]) => one[key as keyof typeof one] === value))
    .reduce((sum, one) => sum + one.count, 0);
const material = (recipe: Recipe, item: string) =>
  recipe.materials.filter((one) => one.item === item).reduce((sum, one) => sum + one.count, 0);

describe.each(all)('%s', (kind) => {
  test('begins as a sound piece, is drawn balloon for balloon as counted, and every material has its working', () => {
    const piece = make(kind);
    expect(Piece.safeParse(piece).error).toBeUndefined();
    const recipe = recipeOf(piece);
    const drawn = pictureOf(piece).balloons.filter((ball) => ball.colour !== '');
    const counted = need(recipe);
    // Alike ones set out by the dozen are drawn once; a chain's link is one shape of several balloons.
    const times = piece.kind === 'centrepiece' ? piece.count : piece.kind === 'chain' ? 0 : 1;
    // Of a chain each link is drawn, and a pair of balloons gives several.
    if (times > 0) expect(drawn.length * times).toBe(counted);
    else expect(drawn).toHaveLength(recipe.spineClusters);
    if (times === 1) {
      for (const colour of context.colours) {
        expect(drawn.filter((ball) => ball.colour === colour)).toHaveLength(need(recipe, { colour }));
      }
    }
    expect(recipe.sections.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    for (const { item, count, working } of recipe.materials) {
      expect(count).toBeGreaterThanOrEqual(0);
      expect(working.value).toBe(count);
      expect([item, working.formula, working.source]).not.toContain('');
    }
    expect(recipe.working.length).toBeGreaterThan(0);
    expect(recipe.making.length + recipe.siteWork.length).toBeGreaterThan(0);
  });
});

test('what stands is told by width and height, without what is put beside or on top; what runs along a line is not', () => {
  const sizeOf = (piece: Piece) => kindOf(piece).sizeM?.(piece, recipeOf(piece));
  const along = [
    'organic-garland',
    'packed-arch',
    'standing-garland',
    'table-arch',
    'pair-arch',
    'chain',
    'banner',
  ];
  for (const kind of along) expect(sizeOf(make(kind as PieceKind))).toBeUndefined();
  // Check values: 5 × 7 ft of frame; five panels of 16 in. each way; a 5 ft column of four quads a layer.
  expect(sizeOf(make('photo-frame'))).toEqual({ widthM: 1.524, heightM: 2.134 });
  expect(sizeOf(make('panel-wall'))?.widthM).toBeCloseTo(inchesToMetres(80), 3);
  expect(sizeOf(make('square-column'))?.heightM).toBe(1.524);
  // As large as it is drawn.
  for (const kind of ['packed-column', 'tower', 'topiary', 'backdrop'] as const) {
    const piece = make(kind);
    const { balloons, shapes } = pictureOf(piece);
    const drawn = [
      ...balloons.map(({ xM, yM, rM }) => ({ left: xM - rM, right: xM + rM, top: yM + rM })),
      ...shapes.flatMap((one) =>
        one.shape === 'box' && one.tone !== 'base'
          ? [{ left: one.xM, right: one.xM + one.widthM, top: one.yM + one.heightM }]
          : [],
      ),
    ];
    const right = Math.max(...drawn.map((one) => one.right));
    const left = Math.min(...drawn.map((one) => one.left));
    const { widthM = 0, heightM = 0 } = sizeOf(piece) ?? {};
    expect(Math.abs(right - left - widthM)).toBeLessThan(0.03);
    expect(Math.abs(Math.max(...drawn.map(({ top }) => top)) - heightM)).toBeLessThan(0.03);
  }
});

test('30 ft of ½ in. pipe as a four-colour spiral: 50 quads, 200 balloons, 50 a colour, three lengths, two couplings (common practice, no source; count within 4 %)', () => {
  const recipe = recipeOf(
    make('packed-arch', { pipeLengthM: 30 * METRES_PER_FOOT, spanM: 12 * METRES_PER_FOOT }),
  );
  expect(Math.abs(recipe.spineClusters / 50 - 1)).toBeLessThanOrEqual(0.04);
  expect(need(recipe)).toBe(recipe.spineClusters * 4);
  for (const colour of context.colours) expect(need(recipe, { colour })).toBe(recipe.spineClusters);
  expect(material(recipe, 'pipe-pvc-half')).toBe(3);
  expect(material(recipe, 'coupling')).toBe(2);
  // Fifty quads fit when 9 in. balloons are pressed to 0.95.
  expect(
    recipeOf(
      make('packed-arch', {
        pipeLengthM: 30 * METRES_PER_FOOT,
        spanM: 12 * METRES_PER_FOOT,
        pressFactor: 0.951,
      }),
    ).spineClusters,
  ).toBe(50);
});

test('a column of 11 in. quads 6 ft high, and its topper tied down with 260s (derived in the engine)', () => {
  const recipe = recipeOf(
    make('packed-column', {
      heightM: 6 * METRES_PER_FOOT,
      topper: { nominalIn: 36, inflatedIn: 30, colour: 'b' },
    }),
  );
  expect(recipe.spineClusters).toBe(Math.round(72 / (0.97 * 0.8409 * 9)));
  expect(need(recipe, { nominalIn: 36 })).toBe(1);
  expect(material(recipe, 'modelling-260')).toBe(3);
});

test('square pack: 11 and 5 in. lie 10.9 in. apart by contact, never closer than the large ones; the colours run straight up, small quads one fewer (derived in the engine)', () => {
  expect(2 * nestedPitch(4, 11, 5)).toBeCloseTo(10.9, 1);
  expect(squarePitch(11, 5)).toBe(11);
  expect(squarePitch(11, 6)).toBeGreaterThan(11);
  expect(squarePitch(11, 3)).toBe(11);
  const recipe = recipeOf(make('square-column', { heightM: 1.524, topper: null }));
  const larges = need(recipe, { role: 'base' }) / 4;
  expect(need(recipe, { role: 'filler' }) / 4).toBe(larges - 1);
  expect(need(recipe, { role: 'base', colour: 'a' })).toBe(larges * 2);
});

test('a photo frame: one 10 ft pipe cut in two, six pole sections a side, two tees, two elbows (common practice, no source)', () => {
  const recipe = recipeOf(make('photo-frame'));
  expect(material(recipe, 'pipe-pvc-half')).toBe(1);
  expect(material(recipe, 'pole-section')).toBe(12);
  expect(material(recipe, 'tee')).toBe(2);
  expect(material(recipe, 'elbow')).toBe(2);
  // One dark to three light: the dark quads are a quarter, rounded up.
  const quads = need(recipe, { role: 'base' }) / 4;
  expect(need(recipe, { role: 'base', colour: 'a' }) / 4).toBe(Math.ceil(quads / 4));
  const dressed = recipeOf(make('photo-frame', { legs: 'dressed' }));
  expect(need(dressed)).toBeGreaterThan(need(recipe));
});

test('four 20 in. panels a column are 80 in. high and take 16 half dashes (common practice, no source)', () => {
  const recipe = recipeOf(make('panel-wall', { columns: 1, rows: 4, sides: null }));
  expect(recipe.topM).toBeCloseTo(80 * 0.0254, 9);
  const dashes = recipe.materials.filter((one) => one.item === 'adhesive-dash')[0];
  expect(dashes?.count).toBe(8);
  expect(dashes?.working.inputs.map(({ value }) => value)).toEqual([4, 4]);
  expect(material(recipe, 'panel-20')).toBe(4);
});

test('a standing garland keeps its foot gap; beyond a lamp stand’s reach it is counted with a heavy plate (common practice, no source)', () => {
  const low = recipeOf(make('standing-garland', { poleM: 2 }));
  expect(material(low, 'lamp-base')).toBe(1);
  const high = recipeOf(make('standing-garland', { poleM: 2.6 }));
  expect(material(high, 'weighted-base')).toBe(1);
  const short = recipeOf(make('standing-garland', { poleM: 2, gapM: 0.4 }));
  expect(low.lengthM - short.lengthM).toBeCloseTo(0.3, 9);
});

test('a table arch warns of quads too full for its poles (common practice, no source)', () => {
  const full = recipeOf(make('table-arch', { balloon: { nominalIn: 12, inflatedIn: 11 } }));
  expect(full.notes.join()).toContain('8–10 in.');
  expect(recipeOf(make('table-arch')).notes).toEqual([]);
});

test('a tower of equal rings rises by the nested pitch of five; a graded one takes more rings (derived in the engine)', () => {
  const plain = recipeOf(make('tower', { roof: null, pressFactor: 1, heightM: 1.8 }));
  const rise = inchesToMetres(nestedPitch(5, 9.5, 9.5));
  expect(plain.spineClusters).toBe(Math.floor((1.8 - inchesToMetres(9.5 * 0.75)) / rise) + 1);
  const graded = recipeOf(make('tower', { roof: null, topIn: 6 }));
  expect(graded.spineClusters).toBeGreaterThan(recipeOf(make('tower', { roof: null })).spineClusters);
  const roofed = recipeOf(make('tower'));
  expect(need(roofed, { cluster: 'flowers' })).toBe(5);
});

test('a pair arch of 8 and 7½ in. over 81 in. takes fifteen duplets (derived in the engine)', () => {
  const recipe = recipeOf(make('pair-arch'));
  expect(recipe.spineClusters).toBe(15);
  expect(need(recipe)).toBe(30);
  const flat = recipeOf(
    make('pair-arch', {
      spanM: 4,
      inside: { nominalIn: 11, inflatedIn: 5 },
      outside: { nominalIn: 11, inflatedIn: 8 },
    }),
  );
  expect(flat.notes.join()).toContain('half circle');
});

test('a chain of 5 in. links takes the length of its bow (catenary)', () => {
  const recipe = recipeOf(make('chain', { from: { xM: 1, yM: 2 }, to: { xM: 3, yM: 2 }, sagM: 0.5 }));
  // Sag/span 0.25: 1.15079 times the span.
  expect(recipe.lengthM).toBeCloseTo(2 * 1.15079, 4);
  expect(recipe.spineClusters).toBe(Math.round((2 * 1.15079) / 0.127));
  // Blown to 15 in. a pair gives three links.
  expect(need(recipe)).toBe(2 * Math.ceil(recipe.spineClusters / 3));
});

// Best packings of N equal caps on a sphere (Tammes problem): angular separations as published, from memory; for N
// touching balls the outer diameter is d (1 + 1 / sin(θ/2)).
test.each([
  [12, 63.4349],
  [24, 43.6908],
  [32, 37.4752],
])('a ball of %d balloons that touch all round', (balloons, degrees) => {
  const outer = 1 + 1 / Math.sin((degrees * Math.PI) / 360);
  expect(Math.abs(ballCount(outer, 1) / balloons - 1)).toBeLessThan(0.04);
});

test('centrepieces are counted by the dozen; bunches and banners by the motif', () => {
  const one = recipeOf(make('centrepiece', { count: 1 }));
  expect(need(recipeOf(make('centrepiece', { count: 20 })))).toBe(20 * need(one));
  expect(need(recipeOf(make('bunch', { count: 7, balloonsEach: 3 })))).toBe(21);
  const banner = recipeOf(make('banner', { text: 'GO GO', balloonsEach: 3 }));
  expect(need(banner)).toBe(12);
  expect(material(banner, 'letter-card')).toBe(4);
  expect(material(banner, 'thread')).toBeCloseTo(4 * 0.35 + 1, 9);
});

test('double-stuffed counts two (common practice, no source); a foil without a plan B takes a spare', () => {
  const round = { what: 'round', balloon: { nominalIn: 24, inflatedIn: 20 }, colour: 'a' } as const;
  expect(need(recipeOf(make('accent', { count: 3, look: { ...round, fill: 'plain' } })))).toBe(3);
  const stuffed = recipeOf(
    make('accent', { count: 3, look: { ...round, fill: 'stuffed', innerColour: 'b' } }),
  );
  expect([need(stuffed), need(stuffed, { colour: 'b' })]).toEqual([6, 3]);
  const foil = { what: 'foil', shape: 'star', text: '', sizeIn: 18, colour: 'a' } as const;
  expect(material(recipeOf(make('accent', { count: 2, look: foil })), 'foil-shape')).toBe(3);
  expect(material(recipeOf(make('accent', { count: 2, look: foil, planB: 'a disc' })), 'foil-shape')).toBe(2);
});

// Helium at 20 °C lifts 1.038 g a litre (from molar masses); an 11 in. ball has 11.4 l, its latex 3 g.
test('a helium bouquet’s lift, and what says that it does not float or is tied too lightly', () => {
  const look = (inflatedIn: number, weightG: number) => ({
    what: 'helium' as const,
    balloon: { nominalIn: 11, inflatedIn },
    colours: ['a'],
    balloonsEach: 5,
    ribbonM: 1,
    weightG,
  });
  const recipe = recipeOf(make('accent', { look: look(11, 200) }));
  const litres = (Math.PI / 6) * 2.794 ** 3;
  expect(recipe.working[0]?.value).toBeCloseTo(5 * (litres * 1.038 - 3) - 4.5, 1);
  expect(recipe.notes).toEqual([]);
  expect(recipeOf(make('accent', { look: look(11, 50) })).notes.join()).toContain('under twice');
  expect(recipeOf(make('accent', { look: look(5, 200) })).notes.join()).toContain('not float');
});

test('a curtain takes drops for its fullness, pins for its seams; greenery ties at every panel', () => {
  const curtain = recipeOf(make('backdrop', { widthM: 3, unitWidthM: 1.5, fullness: 2 }));
  expect(material(curtain, 'curtain-drop')).toBe(4);
  expect(material(curtain, 'safety-pin')).toBe(15);
  const green = recipeOf(
    make('backdrop', { what: 'greenery', widthM: 3, heightM: 2.4, unitWidthM: 0.6, unitHeightM: 0.4 }),
  );
  expect(material(green, 'greenery-panel')).toBe(30);
  expect(material(green, 'zip-tie')).toBe(120);
});

test('furnishing is counted, carried and timed, not inflated', () => {
  const items = [
    { name: 'Chair', count: 40, minutesEach: 0.5, massKg: 4, widthM: 0.5, heightM: 0.9 },
    { name: 'Table', count: 5, minutesEach: 4, massKg: 22, widthM: 1.8, heightM: 0.74 },
  ];
  const recipe = recipeOf(make('furnishing', { items }));
  expect(need(recipe)).toBe(0);
  expect(recipe.siteWork).toMatchObject([{ rate: 'place-furniture', amount: 40, pair: true }]);
  expect(material(recipe, 'furnishing')).toBe(45);
});

test('schools change materials, work and the words of the card', () => {
  const piece = make('organic-garland');
  const by = (schools: PieceOf<'organic-garland'>['schools']) => recipeOf({ ...piece, sections: 1, schools });
  expect(material(by({ joining: 'string-line' }), 'fishing-line')).toBeGreaterThan(0);
  expect(material(by({ joining: 'string-neck', fillerFixing: 'band' }), 'modelling-260')).toBe(0);
  expect(material(by({ fillerFixing: 'band' }), 'rubber-band')).toBe(by({}).fillerClusters);
  expect(by({ fillerFixing: 'dash' }).siteWork.some((work) => work.rate === 'fix-dash')).toBe(true);
  expect(by({ dressing: 'finished-sections' }).siteWork.some((work) => work.stage === 'fill')).toBe(false);
  expect(by({ bloom: 'wipe' }).siteWork.some((work) => work.rate === 'shine-wipe')).toBe(true);
  expect(by({ joining: 'string-neck', tie: 'tight' }).notes.join()).toContain('long necks');
  // The house decides what the piece leaves open; the piece goes before the house.
  const house = { joining: 'string-line', bloom: 'spray' } as const;
  expect(material(recipeOf({ ...piece }, house), 'fishing-line')).toBeGreaterThan(0);
  expect(material(recipeOf({ ...piece, schools: { joining: 'string-260' } }, house), 'fishing-line')).toBe(0);
  const press = recipeOf(make('packed-arch'));
  const twist = recipeOf(make('packed-arch', { schools: { onPipe: 'twist' } }));
  expect(press.siteWork.find((work) => work.id === 'layers')?.rate).toBe('press-quad');
  expect(twist.siteWork.find((work) => work.id === 'layers')?.rate).toBe('twist-on-pipe');
});

test('a garland’s tail, raised corners and swings take more; sections share its balloons', () => {
  const corner = [
    { xM: 1, yM: 0 },
    { xM: 1, yM: 2.4 },
    { xM: 4, yM: 2.4 },
  ];
  const base = recipeOf(make('organic-garland', { line: corner }));
  const grown = (more: Partial<PieceOf<'organic-garland'>>) =>
    recipeOf(make('organic-garland', { line: corner, ...more }));
  expect(need(grown({ raisedCorners: true }))).toBe(need(base) + 2 * base.clusterSize);
  expect(grown({ tailM: 1 }).lengthM).toBeGreaterThan(base.lengthM + 0.9);
  const snake = grown({ snake: { amplitudeM: 0.2, wavelengthM: 1.2 } });
  expect(snake.lengthM).toBeGreaterThan(base.lengthM * 1.15);
  expect(snake.visibleWidthM).toBeCloseTo(base.visibleWidthM + 0.4, 6);
  const halves = grown({ sections: 2, taper: 0.5 });
  expect(halves.sections[0]).toBeGreaterThan(0.6);
});

/** Spheres of one ring dropped on another until they touch: the pitch by contact, not by formula. */
test.each([2, 3, 4, 5, 6])('rings of %d nest where their balls touch (numerical contact)', (n) => {
  const r = ringRadius(n, 1);
  const centre = (j: number, half: number, z: number) => {
    const angle = ((j + half / 2) * 2 * Math.PI) / n;
    return [r * Math.cos(angle), r * Math.sin(angle), z] as const;
  };
  let [low, high] = [0, 1.2];
  for (let step = 0; step < 60; step++) {
    const z = (low + high) / 2;
    const a = centre(0, 1, z);
    const gaps = Array.from({ length: n }, (_, j) => {
      const b = centre(j, 0, 0);
      return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
    });
    if (Math.min(...gaps) < 1) low = z;
    else high = z;
  }
  expect(nestedPitch(n, 1, 1)).toBeCloseTo(low, 6);
  const table: Record<number, string> = {
    2: '0.7071 2.0000',
    3: '0.8165 2.1547',
    4: '0.8409 2.4142',
    5: '0.8507 2.7013',
    6: '0.8556 3.0000',
  };
  expect(`${low.toFixed(4)} ${ringOuterDiameter(n, 1).toFixed(4)}`).toBe(table[n]);
});

describe('layers one by one, chains, letters', () => {
  const totalOf = (needs: readonly { count: number }[]) => needs.reduce((sum, { count }) => sum + count, 0);

  test('a column of layers set one by one has just those, and comes out as high as they nest', () => {
    const ring = (balloons: number, inflatedIn: number, colour: string) => ({ balloons, inflatedIn, colour });
    const piece = make('packed-column', {
      pressFactor: 1,
      ownLayers: [ring(5, 10, 'oat'), ring(5, 9, 'chalk'), ring(4, 9, 'chalk'), ring(4, 6, 'brick')],
      topper: null,
    });
    const { needs, assemblies, topM } = recipeOf(piece);
    expect(
      needs.map(({ inflatedIn, colour, count, cluster }) => [inflatedIn.max, colour, count, cluster]),
    ).toEqual([
      [10, 'oat', 5, 'five-clusters'],
      [9, 'chalk', 5, 'five-clusters'],
      [9, 'chalk', 4, 'quads'],
      [6, 'brick', 4, 'quads'],
    ]);
    expect(assemblies.map(({ name, count }) => [name, count])).toEqual([
      ['five-clusters', 2],
      ['quads', 2],
    ]);
    // Equal rings of n nest by d · sqrt(1 − tan²(π/2n)) by hand; unlike ones lie between what both would.
    const nested = (n: number, d: number) => d * Math.sqrt(1 - Math.tan(Math.PI / (2 * n)) ** 2);
    const least = 5 + nested(5, 9) * 0.7 + nested(5, 9) + nested(4, 6) * 0.7 + 3;
    const most = 5 + nested(5, 10) * 1.3 + nested(5, 9) * 1.3 + nested(4, 9) * 1.3 + 3;
    expect(topM / 0.0254).toBeGreaterThan(least);
    expect(topM / 0.0254).toBeLessThan(most);
    expect(pictureOf(piece).balloons).toHaveLength(18);
  });

  test('a flower on a roof has five petals, or six', () => {
    const roof = { rings: 2, flower: { nominalIn: 5, inflatedIn: 4, colour: 'oat' } };
    const petals = (piece: Piece) =>
      totalOf(recipeOf(piece).needs.filter(({ cluster }) => cluster === 'flowers'));
    expect([
      petals(make('tower', { roof })),
      petals(make('tower', { roof: { ...roof, petals: 6 } })),
    ]).toEqual([5, 6]);
  });

  test('from a pair of modelling balloons as many links as it is blown long; about eight pairs to a foot 6–8 ft off (common practice, no source)', () => {
    const chainOf = (feet: number) =>
      make('chain', {
        from: { xM: 0, yM: 1.8 },
        to: { xM: feet * 0.3048, yM: 0.3 },
        sagM: 0.15,
        linkIn: 5,
        balloonsPerLink: 2,
        bases: 0,
      });
    const pairs = (piece: Piece) => totalOf(recipeOf(piece).needs) / 2;
    for (const feet of [6, 7, 8]) expect(Math.abs(pairs(chainOf(feet)) - 8)).toBeLessThanOrEqual(2);
    // By hand: 24 in. pinched every 5 in. gives four links, 30 in. six.
    const links = recipeOf(chainOf(7)).spineClusters;
    expect(pairs({ ...chainOf(7), blownIn: 24 } as Piece)).toBe(Math.ceil(links / 4));
    expect(pairs({ ...chainOf(7), blownIn: 30 } as Piece)).toBe(Math.ceil(links / 6));
  });

  test('a foot has two rings over its weight', () => {
    const foot = { balloon: { nominalIn: 5, inflatedIn: 4.5 }, balloons: 5, colour: 'oat' };
    const { needs, assemblies } = recipeOf(make('chain', { bases: 1, foot }));
    expect(totalOf(needs.filter(({ nominalIn }) => nominalIn === 5))).toBe(10);
    expect(assemblies).toContainEqual(
      expect.objectContaining({ name: 'five-clusters', count: 2, part: 'foot' }),
    );
  });

  test('letters are counted as they are read; a banner may have no balloons', () => {
    // नमस्ते: three syllables to the eye and six code points; é written with a combining accent is one letter.
    const cards = (text: string) =>
      recipeOf(make('banner', { text, balloonsEach: 0 })).materials.find(({ item }) => item === 'letter-card')
        ?.count;
    expect(cards('né e\u0301')).toBe(3);
    expect(cards('नमस्ते')).toBeLessThan([...'नमस्ते'].length);
    const bare = recipeOf(make('banner', { text: 'HELLO', balloonsEach: 0 }));
    expect([bare.needs, bare.assemblies.map(({ name, count }) => [name, count])]).toEqual([
      [],
      [['letters', 5]],
    ]);
  });
});

test('a colour that no layer has room for is told, unless the layers are set one by one', () => {
  // Five colours round a quad: the fifth has no place.
  const pattern = {
    kind: 'spiral' as const,
    colours: ['a', 'b', 'c', 'd', 'e'],
    turn: 'left' as const,
    blockLayers: 1,
  };
  const column = make('packed-column', { layerSize: 4, pattern });
  expect(coloursWithoutRoom(column)).toEqual(['e']);
  const ownLayers = [{ balloons: 4, inflatedIn: 9, colour: 'a' }];
  expect(coloursWithoutRoom({ ...column, ownLayers })).toEqual([]);
});
