import type { ColourId, PieceOf } from '@early-lantern/contract';
import { type Editor, type Field, heightField, sideGrip, standsAt, topGrip } from './editor.ts';

type Accent = PieceOf<'accent'>;
type Look = Accent['look'];

export const accent: Editor<Accent> = {
  fields: (piece) => [
    {
      type: 'pick',
      label: 'What',
      options: [
        ['round', 'big round balloon'],
        ['foil', 'foil'],
        ['helium', 'helium bouquet'],
      ],
      value: (p) => p.look.what,
      set: (p, what) => (what === p.look.what ? p : { ...p, look: first(what as Look['what'], p.look) }),
    },
    {
      type: 'number',
      label: 'How many',
      min: 1,
      max: 100,
      whole: true,
      value: (p) => p.count,
      set: (p, count) => ({ ...p, count }),
    },
    ...lookFields(piece.look),
    {
      type: 'text',
      label: 'Plan B, if it pops',
      value: (p) => p.planB,
      set: (p, planB) => ({ ...p, planB }),
    },
  ],
  grips: [standsAt()],
};

const colourOf = (look: Look) => (look.what === 'helium' ? (look.colours[0] as string) : look.colour);

/** A first look of a kind, in the colour the last one had. */
function first(what: Look['what'], before: Look): Look {
  const colour = colourOf(before);
  switch (what) {
    case 'round':
      return { what, balloon: { nominalIn: 36, inflatedIn: 30 }, colour, fill: 'plain' };
    case 'foil':
      return { what, shape: 'star', text: '', sizeIn: 18, colour };
    case 'helium':
      return {
        what,
        balloon: { nominalIn: 11, inflatedIn: 11 },
        colours: [colour],
        balloonsEach: 5,
        ribbonM: 1.5,
        weightG: 150,
      };
  }
}

function lookFields(look: Look): Field<Accent>[] {
  const into = (more: Partial<Look>) => (p: Accent) => ({ ...p, look: { ...look, ...more } as Look });
  switch (look.what) {
    case 'round':
      return [
        {
          type: 'blown',
          label: 'Balloon',
          value: () => look.balloon,
          set: (p, balloon) => into({ balloon })(p),
        },
        {
          type: 'pick',
          label: 'Inside',
          options: [
            ['plain', 'plain'],
            ['lined', 'lined with glitter'],
            ['stuffed', 'another balloon'],
          ],
          value: () => look.fill,
          set: (p, fill) => into({ fill: fill as typeof look.fill })(p),
        },
        {
          type: 'colour',
          label: 'Colour',
          value: () => look.colour,
          set: (p, colour) => into({ colour })(p),
        },
        ...(look.fill === 'stuffed'
          ? [
              {
                type: 'colour' as const,
                label: 'Inner balloon',
                value: () => look.innerColour ?? look.colour,
                set: (p: Accent, innerColour: ColourId) => into({ innerColour })(p),
              },
            ]
          : []),
      ];
    case 'foil':
      return [
        {
          type: 'text',
          label: 'Shape: star, moon, number, heron …',
          value: () => look.shape,
          set: (p, shape) => into({ shape: shape.trim() })(p),
        },
        {
          type: 'text',
          label: 'Letter or figure on it',
          value: () => look.text,
          set: (p, text) => into({ text })(p),
        },
        {
          type: 'number',
          label: 'Size, inches',
          min: 4,
          max: 60,
          value: () => look.sizeIn,
          set: (p, sizeIn) => into({ sizeIn })(p),
        },
        {
          type: 'colour',
          label: 'Colour',
          value: () => look.colour,
          set: (p, colour) => into({ colour })(p),
        },
      ];
    case 'helium':
      return [
        {
          type: 'blown',
          label: 'Balloon',
          value: () => look.balloon,
          set: (p, balloon) => into({ balloon })(p),
        },
        {
          type: 'number',
          label: 'Balloons in each',
          min: 1,
          max: 60,
          whole: true,
          value: () => look.balloonsEach,
          set: (p, balloonsEach) => into({ balloonsEach })(p),
        },
        {
          type: 'length',
          label: 'Ribbon',
          max: 10,
          value: () => look.ribbonM,
          set: (p, ribbonM) => into({ ribbonM })(p),
        },
        {
          type: 'number',
          label: 'Weight, grams',
          min: 0,
          max: 20000,
          value: () => look.weightG,
          set: (p, weightG) => into({ weightG })(p),
        },
        {
          type: 'colours',
          label: 'Colours, in turn',
          most: 12,
          value: () => look.colours,
          set: (p, colours) => into({ colours })(p),
        },
      ];
  }
}

type Backdrop = PieceOf<'backdrop'>;

/** A sign as it begins: about two feet and a half by two. From memory. */
const SIGN_M = { width: 0.76, height: 0.6 };

export const backdrop: Editor<Backdrop> = {
  fields: (piece) => [
    {
      type: 'pick',
      label: 'What',
      options: [
        ['curtain', 'curtain'],
        ['greenery', 'greenery panels'],
        ['boards', 'boards'],
        ['sign', 'sign on a pole'],
      ],
      value: (p) => p.what,
      set: (p, what) => ({
        ...p,
        what: what as Backdrop['what'],
        // Nobody wants a sign as wide as a curtain.
        ...(what === 'sign' && p.what !== 'sign'
          ? { widthM: Math.min(p.widthM, SIGN_M.width), unitHeightM: Math.min(p.unitHeightM, SIGN_M.height) }
          : {}),
      }),
    },
    {
      type: 'length',
      label: 'Width',
      max: 15,
      value: (p) => p.widthM,
      set: (p, widthM) => ({ ...p, widthM }),
    },
    heightField(),
    ...(piece.what === 'sign'
      ? [
          {
            type: 'length' as const,
            label: 'Sign, height',
            max: 6,
            value: (p: Backdrop) => p.unitHeightM,
            set: (p: Backdrop, unitHeightM: number) => ({ ...p, unitHeightM }),
          },
          {
            type: 'text' as const,
            label: 'Words',
            value: (p: Backdrop) => p.text,
            set: (p: Backdrop, text: string) => ({ ...p, text }),
          },
        ]
      : [
          {
            type: 'length' as const,
            label: { curtain: 'One drop, width', greenery: 'One panel, width', boards: 'One board, width' }[
              piece.what
            ],
            max: 4,
            value: (p: Backdrop) => p.unitWidthM,
            set: (p: Backdrop, unitWidthM: number) => ({ ...p, unitWidthM }),
          },
        ]),
    ...(piece.what === 'greenery'
      ? [
          {
            type: 'length' as const,
            label: 'One panel, height',
            max: 6,
            value: (p: Backdrop) => p.unitHeightM,
            set: (p: Backdrop, unitHeightM: number) => ({ ...p, unitHeightM }),
          },
        ]
      : []),
    ...(piece.what === 'curtain'
      ? [
          {
            type: 'number' as const,
            label: 'Fullness',
            min: 1,
            max: 4,
            value: (p: Backdrop) => p.fullness,
            set: (p: Backdrop, fullness: number) => ({ ...p, fullness }),
          },
        ]
      : []),
    { type: 'colour', label: 'Drawn in', value: (p) => p.colour, set: (p, colour) => ({ ...p, colour }) },
  ],
  grips: [standsAt(), topGrip(), sideGrip((piece) => piece.heightM / 2)],
};

export const furnishing: Editor<PieceOf<'furnishing'>> = {
  fields: () => [{ type: 'items', label: 'What is carried and placed' }],
  grips: [standsAt()],
};
