import type { Accent } from '@early-lantern/contract';
import { SOLID } from '../air/wind.ts';
import { material } from '../materials/materials.ts';
import { repeatCounts } from '../pattern/repeat.ts';
import { inchesToMetres } from '../quantity/length.ts';
import { plural } from '../quantity/plural.ts';
import { DERIVED, working } from '../working.ts';
import { noHardware } from './hardware.ts';
import { lookLift } from './helium-look.ts';
import type { Kind } from './kind.ts';
import type { DrawnBalloon, Picture } from './picture.ts';
import type { Need, Recipe } from './recipe.ts';
import { standing } from './traits.ts';
import { goesOn } from './upon.ts';

const plain = (piece: Accent): Omit<Recipe, 'needs' | 'siteWork'> => ({
  lengthM: 0,
  visibleWidthM: 0,
  clusterSize: 1,
  spineClusters: piece.count,
  sideClusters: 0,
  fillerClusters: 0,
  sections: [1],
  hangPoints: 0,
  topM: piece.at.yM,
  assemblies: [],
  materials: [],
  making: [],
  notes: piece.planB.trim() ? [`If it pops: ${piece.planB.trim()}`] : [],
  working: [],
});

/** So near to the floor it rests on it, m. */
const FLOOR_M = 0.15;

/** One big balloon, foil or helium bouquet placed to be looked at. */
export const accent: Kind<Accent> = {
  traits: ({ look: { what } }) => ({
    ...standing(),
    balloons: what === 'round' ? 'latex' : what,
    hangs: what !== 'helium',
  }),
  upon(piece) {
    const { at, count, look } = piece;
    const own = {
      ...goesOn('balloons', 'mesh', 'panel', 'board', 'bar', 'table-top')(piece),
      hasOwnTurn: true,
    };
    if (look.what === 'helium')
      return {
        ...own,
        things: count,
        floats: { ...lookLift(look), balloonsEach: look.balloonsEach, weightG: look.weightG },
      };
    const sizeIn = look.what === 'foil' ? look.sizeIn : look.balloon.inflatedIn;
    const isOnFloor = at.yM <= inchesToMetres(sizeIn) / 2 + FLOOR_M;
    return { ...own, things: count, ...(isOnFloor ? {} : { hangsAt: at }) };
  },
  outlineM2: ({ count }, { visibleWidthM }) => SOLID * (Math.PI / 4) * visibleWidthM ** 2 * count,
  hardware: noHardware,
  isOpen: () => true,
  lookOver: () => [
    'It faces the guests, and nothing hides it: turn it.',
    'Its ribbon, weight or stick does not show more than it is to.',
  ],
  recipe(piece) {
    switch (piece.look.what) {
      case 'round':
        return roundRecipe(piece, piece.look);
      case 'foil':
        return foilRecipe(piece, piece.look);
      case 'helium':
        return heliumRecipe(piece, piece.look);
    }
  },
  picture: drawAccent,
};

type Look<W extends Accent['look']['what']> = Extract<Accent['look'], { what: W }>;

function roundRecipe(piece: Accent, look: Look<'round'>): Recipe {
  const { balloon, colour, fill, innerColour } = look;
  const { count } = piece;
  const dM = inchesToMetres(balloon.inflatedIn);
  const need = (of: string): Need => ({
    role: 'accent',
    nominalIn: balloon.nominalIn,
    inflatedIn: { min: balloon.inflatedIn, max: balloon.inflatedIn },
    colour: of,
    count,
    cluster: fill === 'stuffed' ? 'double-stuffed singles' : 'singles',
  });
  const making = {
    plain: [],
    lined: ['Line it before it is blown; roll it so that the lining clings evenly.'],
    stuffed: ['Push the inner balloon into the outer, blow both together, and tie the inner neck first.'],
  };
  return {
    ...plain(piece),
    lengthM: dM,
    visibleWidthM: dM,
    topM: piece.at.yM + dM / 2,
    needs: fill === 'stuffed' ? [need(colour), need(innerColour ?? colour)] : [need(colour)],
    siteWork: [
      {
        id: 'place',
        stage: 'accent',
        label: `tie on ${plural(count, 'accent')}`,
        rate: 'fix-filler',
        amount: count,
        how: [
          'A 260 through its centre or at its neck, several times round a balloon of what it is tied to.',
        ],
      },
    ],
    materials: [material('tie-point', count, 'one to tie each', [['count', count]])],
    making: [...making[fill], 'Leave a little give: a full one pops and goes pear-shaped.'],
    working: [
      working(
        'Balloons',
        fill === 'stuffed' ? 'count · 2: one inside another' : 'count',
        [['count', count]],
        { value: fill === 'stuffed' ? 2 * count : count, unit: 'balloons' },
        fill === 'stuffed' ? 'double-stuffed takes two: common practice, no source' : DERIVED,
      ),
    ],
  };
}

function foilRecipe(piece: Accent, look: Look<'foil'>): Recipe {
  const { count } = piece;
  const sizeM = inchesToMetres(look.sizeIn);
  const detail = [look.shape, look.text.trim(), `${look.sizeIn} in.`, look.colour].filter(Boolean).join(', ');
  return {
    ...plain(piece),
    lengthM: sizeM,
    visibleWidthM: sizeM,
    topM: piece.at.yM + sizeM / 2,
    needs: [],
    siteWork: [
      {
        id: 'place',
        stage: 'stem',
        label: `blow and place ${plural(count, 'foil')}`,
        rate: 'foil-shape',
        amount: count,
        how: [
          'Find the touching point first, then dots; or a 260 at its neck, several times round a balloon.',
        ],
      },
    ],
    materials: [
      material(
        'foil-shape',
        // A single one has no other to stand in for it.
        count + (piece.planB.trim() ? 0 : 1),
        piece.planB.trim() ? 'count; a plan B stands in for the spare' : 'count + 1 spare',
        [['count', count]],
        'a specialty item takes one spare at least: common practice, no source',
        { detail },
      ),
      material('tie-point', count, 'one to fix each', [['count', count]]),
    ],
    making: ['Foil conducts: keep it away from overhead lines and sockets, and never let it go.'],
    working: [working('Foils', 'count', [['count', count]], { value: count, unit: 'foils' }, DERIVED)],
  };
}

function heliumRecipe(piece: Accent, look: Look<'helium'>): Recipe {
  const { count } = piece;
  const { balloon, balloonsEach, colours, ribbonM, weightG } = look;
  const lift = lookLift(look);
  const balloons = count * balloonsEach;
  const litres = Math.ceil(balloons * lift.litresEach);
  const notes: string[] = [];
  if (lift.netG <= 0) notes.push('It does not float: the balloons are too small for their ribbon.');
  else if (weightG < 2 * lift.netG)
    notes.push(
      `A bouquet pulls with ${lift.netG.toFixed(0)} g: its weight of ${weightG} g is under twice that.`,
    );
  return {
    ...plain(piece),
    lengthM: ribbonM,
    visibleWidthM: 0.6,
    topM: piece.at.yM + ribbonM + 0.4,
    clusterSize: balloonsEach,
    needs: repeatCounts(colours, balloons).map((one) => ({
      role: 'accent',
      nominalIn: balloon.nominalIn,
      inflatedIn: { min: balloon.inflatedIn, max: balloon.inflatedIn },
      colour: one.colour,
      count: one.count,
      cluster: 'helium bouquets',
    })),
    assemblies: [
      {
        name: 'helium bouquets',
        size: balloonsEach,
        count,
        part: 'bouquets',
        make: 'fill-helium',
        join: undefined,
        joinAt: 'bench',
      },
    ],
    siteWork: [
      {
        id: 'place',
        stage: 'accent',
        label: `set out ${plural(count, 'bouquet')}`,
        rate: 'fix-filler',
        amount: count,
      },
    ],
    materials: [
      material('helium', litres, '⌈balloons · volume⌉', [
        ['balloons', balloons],
        ['volume', lift.litresEach, 'l'],
      ]),
      material('ribbon', balloons * ribbonM, 'balloons · ribbon', [
        ['balloons', balloons],
        ['ribbon', ribbonM, 'm'],
      ]),
      material('helium-weight', count, 'one a bouquet', [['count', count]], DERIVED, {
        detail: `${weightG} g`,
      }),
    ],
    making: [
      'Secure the cylinder upright, ventilate, never breathe it.',
      'A weight on every bouquet before the next is filled; never let one go outdoors.',
    ],
    notes: [...plain(piece).notes, ...notes],
    working: [
      working(
        'Lift of a bouquet',
        {
          metric: 'n · (1.038 g/l · V − latex) − ribbon',
          imperial: 'n · (29.4 g/cu ft · V − latex) − ribbon',
        },
        [
          ['n', balloonsEach],
          ['V', lift.litresEach, 'l'],
          ['latex each', lift.latexGEach, 'g'],
          ['ribbon', lift.ribbonG, 'g'],
        ],
        { value: lift.netG, unit: 'g' },
        'air and helium at 20 °C, 1 atm, from molar masses 28.964 and 4.0026 g/mol',
      ),
    ],
  };
}

function drawAccent({ at, count, look }: Accent): Picture {
  if (look.what === 'helium') {
    const rM = inchesToMetres(look.balloon.inflatedIn) / 2;
    const feet = Array.from({ length: count }, (_, i) => at.xM + (i - (count - 1) / 2) * rM * 7);
    return {
      shapes: feet.flatMap((x) => [
        {
          shape: 'line' as const,
          points: [
            { x, y: at.yM },
            { x, y: at.yM + look.ribbonM },
          ],
          widthM: 0.005,
          tone: 'ribbon' as const,
        },
        { shape: 'box' as const, xM: x - 0.05, yM: at.yM, widthM: 0.1, heightM: 0.06, tone: 'base' as const },
      ]),
      balloons: feet.flatMap((x, b) =>
        Array.from({ length: look.balloonsEach }, (_, i): DrawnBalloon => {
          const turn = i * 2.399963;
          const reach = rM * 1.15 * Math.sqrt(i);
          return {
            xM: x + Math.cos(turn) * reach,
            yM: at.yM + look.ribbonM + Math.abs(Math.sin(turn)) * reach + (i % 3) * rM * 0.5,
            rM,
            colour: look.colours[(b * look.balloonsEach + i) % look.colours.length] as string,
            role: 'accent',
          };
        }),
      ),
    };
  }
  const rM = inchesToMetres(look.what === 'round' ? look.balloon.inflatedIn : look.sizeIn) / 2;
  return {
    shapes: [],
    balloons: Array.from({ length: count }, (_, i): DrawnBalloon => {
      const xM = at.xM + (i - (count - 1) / 2) * rM * 2.2;
      const ball = { xM, yM: at.yM, rM, colour: look.colour, role: 'accent' as const };
      if (look.what === 'round') return ball;
      const shape = look.shape.trim().toLowerCase();
      if (shape === 'star' || shape === 'moon') return { ...ball, form: shape };
      return look.text.trim() ? { ...ball, form: 'letter', text: look.text } : ball;
    }),
  };
}
