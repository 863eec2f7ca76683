import type { ColourId, Piece } from '@early-lantern/contract';
import { type PatternCard, patternCard } from '../pattern/card.ts';
import { seenColour } from '../stock/stand-ins.ts';
import { centreLayers } from './centrepiece.ts';
import type { Layer } from './layers.ts';
import { archLayers } from './packed-arch.ts';
import { columnLayers } from './packed-column.ts';
import { squareLayers } from './square-column.ts';
import { tableLayers } from './table-arch.ts';
import { towerLayers } from './tower.ts';

/** The layers of a packed piece's body, without a roof; none for other kinds. */
export function layersOf(piece: Piece): Layer[] {
  if (piece.kind === 'tower') return towerLayers({ ...piece, roof: null });
  return packedLayers(piece);
}

/** The layers of a packed piece, the lowest or leftmost first; none for other kinds. */
function packedLayers(piece: Piece): Layer[] {
  switch (piece.kind) {
    case 'packed-arch':
      return archLayers(piece);
    case 'packed-column':
      return columnLayers(piece);
    case 'square-column':
      return squareLayers(piece).largeLayers;
    case 'table-arch':
      return tableLayers(piece);
    case 'tower':
      return towerLayers(piece);
    case 'centrepiece':
      return centreLayers(piece);
    default:
      return [];
  }
}

/** A packed piece's pattern with the diameters of its layers. */
export interface PiecePattern extends PatternCard {
  /** Blown through this template hole, layer by layer, inches. */
  diametersIn: number[];
}

/** The pattern card of a packed piece; undefined for other kinds. */
export function patternOf(piece: Piece, name: (colour: ColourId) => string): PiecePattern | undefined {
  const standIns = 'standIns' in piece ? piece.standIns : undefined;
  const layers = packedLayers(piece).map((layer) => ({
    ...layer,
    word: layer.word.map((colour) => seenColour(colour, layer.nominalIn, standIns)),
  }));
  if (layers.length === 0) return undefined;
  return { ...patternCard(layers, name), diametersIn: layers.map((layer) => layer.inflatedIn) };
}

/** Colours of a packed piece's pattern that no layer has room for. */
export function coloursWithoutRoom(piece: Piece): string[] {
  // Layers set one by one do not go by the pattern.
  if (!('pattern' in piece) || ('ownLayers' in piece && piece.ownLayers)) return [];
  const used = new Set(packedLayers(piece).flatMap(({ word }) => word));
  return used.size === 0 ? [] : [...new Set(piece.pattern.colours)].filter((colour) => !used.has(colour));
}
