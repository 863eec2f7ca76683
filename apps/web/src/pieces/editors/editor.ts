import type {
  Blown,
  ColourId,
  Mix,
  OwnLayer,
  Pattern,
  Piece,
  PieceKind,
  PieceOf,
  Point,
  Topper,
} from '@early-lantern/contract';
import { layersOf } from '@early-lantern/core';

/** One thing about a piece that can be typed or chosen; `set` returns the piece with it changed. */
export type Field<P> =
  | { type: 'heading'; label: string }
  | {
      type: 'length';
      label: string;
      value: (piece: P) => number;
      set: (piece: P, metres: number) => P;
      short?: boolean;
      min?: number;
      max?: number;
    }
  | {
      type: 'number';
      label: string;
      value: (piece: P) => number;
      set: (piece: P, value: number) => P;
      min: number;
      max: number;
      whole?: boolean;
    }
  | {
      type: 'pick';
      label: string;
      options: readonly (readonly [value: string, label: string])[];
      value: (piece: P) => string;
      set: (piece: P, value: string) => P;
    }
  | { type: 'switch'; label: string; value: (piece: P) => boolean; set: (piece: P, on: boolean) => P }
  | { type: 'text'; label: string; value: (piece: P) => string; set: (piece: P, text: string) => P }
  | { type: 'blown'; label: string; value: (piece: P) => Blown; set: (piece: P, blown: Blown) => P }
  | { type: 'colour'; label: string; value: (piece: P) => string; set: (piece: P, colour: ColourId) => P }
  | {
      type: 'colours';
      label: string;
      value: (piece: P) => readonly string[];
      set: (piece: P, colours: string[]) => P;
      most: number;
    }
  | { type: 'pattern'; label: string; value: (piece: P) => Pattern; set: (piece: P, pattern: Pattern) => P }
  | {
      type: 'topper';
      label: string;
      value: (piece: P) => Topper | null;
      set: (piece: P, topper: Topper | null) => P;
    }
  | { type: 'mix'; label: string; value: (piece: P) => Mix; set: (piece: P, mix: Mix) => P }
  | { type: 'items'; label: string }
  | {
      type: 'layers';
      label: string;
      value: (piece: P) => readonly OwnLayer[] | undefined;
      /** Layers as they are without being set one by one, to begin with. */
      usual: (piece: P) => OwnLayer[];
      set: (piece: P, layers: OwnLayer[] | undefined) => P;
    };

/** A grip on the elevation: dragged, it changes what it stands for. */
export interface Grip<P> {
  id: string;
  label: string;
  at: (piece: P) => Point;
  /** Where a piece is parted: drawn as a bar across it. */
  isCut?: boolean;
  /** The piece with the grip pulled to a point; snapped already. */
  pull: (piece: P, to: Point) => P;
}

/** How a kind of piece is edited: its fields beside the elevation, and its grips on it. */
export interface Editor<P> {
  fields: (piece: P) => readonly Field<P>[];
  grips: readonly Grip<P>[];
  /** Further ones, as many as the piece has places for. */
  moreGrips?: (piece: P) => readonly Grip<P>[];
}

export type Editors = { [K in PieceKind]: Editor<PieceOf<K>> };

const positive = (metres: number) => Math.max(0.1, Number(metres.toFixed(5)));

/** The grip that moves a piece which stands at a point. */
export const standsAt = <P extends Extract<Piece, { at: Point }>>(): Grip<P> => ({
  id: 'place',
  label: 'Place',
  at: (piece) => piece.at,
  pull: (piece, to) => ({ ...piece, at: to }),
});

/** A grip at the top of something upright. */
export const topGrip = <P extends Extract<Piece, { at: Point; heightM: number }>>(): Grip<P> => ({
  id: 'height',
  label: 'Height',
  at: (piece) => ({ xM: piece.at.xM, yM: piece.at.yM + piece.heightM }),
  pull: (piece, to) => ({ ...piece, heightM: positive(to.yM - piece.at.yM) }),
});

/** A grip at the right of something centred on its place. */
export const sideGrip = <P extends Extract<Piece, { at: Point; widthM: number }>>(
  heightOf: (piece: P) => number,
): Grip<P> => ({
  id: 'width',
  label: 'Width',
  at: (piece) => ({ xM: piece.at.xM + piece.widthM / 2, yM: piece.at.yM + heightOf(piece) }),
  pull: (piece, to) => ({ ...piece, widthM: positive(2 * Math.abs(to.xM - piece.at.xM)) }),
});

/** A grip at the right end of a span centred on its place. */
export const spanGrip = <P extends Extract<Piece, { at: Point; spanM: number }>>(): Grip<P> => ({
  id: 'span',
  label: 'Span',
  at: (piece) => ({ xM: piece.at.xM + piece.spanM / 2, yM: piece.at.yM }),
  pull: (piece, to) => ({ ...piece, spanM: positive(2 * Math.abs(to.xM - piece.at.xM)) }),
});

const layerSizes = [3, 4, 5, 6].map((n) => [String(n), `${n} balloons`] as const);

/** Fields that packed pieces share. */
export const layerFields = <
  P extends { layerSize: number; pressFactor: number; pattern: Pattern },
>(): Field<P>[] => [
  {
    type: 'pick',
    label: 'A layer of',
    options: layerSizes,
    value: (piece) => String(piece.layerSize),
    set: (piece, value) => ({ ...piece, layerSize: Number(value) }),
  },
  {
    type: 'number',
    label: 'Press factor',
    min: 0.8,
    max: 1.1,
    value: (piece) => piece.pressFactor,
    set: (piece, pressFactor) => ({ ...piece, pressFactor }),
  },
  {
    type: 'pattern',
    label: 'Pattern',
    value: (piece) => piece.pattern,
    set: (piece, pattern) => ({ ...piece, pattern }),
  },
];

export const blownField = <P extends { balloon: Blown }>(label = 'Balloon'): Field<P> => ({
  type: 'blown',
  label,
  value: (piece) => piece.balloon,
  set: (piece, balloon) => ({ ...piece, balloon }),
});

export const coloursField = <P extends { colours: string[] }>(
  label = 'Colours in turn',
  most = 12,
): Field<P> => ({
  type: 'colours',
  label,
  most,
  value: (piece) => piece.colours,
  set: (piece, colours) => ({ ...piece, colours }),
});

export const heightField = <P extends { heightM: number }>(max = 6): Field<P> => ({
  type: 'length',
  label: 'Height',
  max,
  value: (piece) => piece.heightM,
  set: (piece, heightM) => ({ ...piece, heightM }),
});

/** Layers set one by one, beginning with those that the piece has. */
export const ownLayersField = <P extends PieceOf<'tower'> | PieceOf<'packed-column'>>(): Field<P> => ({
  type: 'layers',
  label: 'Layer by layer',
  value: (piece) => piece.ownLayers,
  usual: (piece) =>
    layersOf(piece).map(({ word, inflatedIn }) => ({
      balloons: word.length,
      inflatedIn,
      colour: word[0] as string,
    })),
  set: (piece, ownLayers) => ({ ...piece, ownLayers }),
});
