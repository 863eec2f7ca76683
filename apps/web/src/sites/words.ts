import type { Floor, Site, Spot, SpotKind, Surface, TooLoud } from '@early-lantern/contract';

export const surfaceWords: Record<Surface, string> = {
  painted: 'painted wall',
  brick: 'brick',
  glass: 'glass',
  tile: 'tile',
  wallpaper: 'wallpaper',
  wood: 'raw wood',
  iron: 'metal, holds a magnet',
  metal: 'metal, no magnet',
  fabric: 'fabric',
  mesh: 'greenery on mesh',
};

export const spotWords: Record<SpotKind, string> = {
  wall: 'wall',
  window: 'window',
  tree: 'tree',
  'open-floor': 'open floor or lawn',
  table: 'table',
  'ceiling-run': 'ceiling',
  stair: 'stair',
  fence: 'fence or shed',
  'backdrop-stand': 'backdrop stand',
};

export const floorWords: Record<Floor, string> = {
  polished: 'polished',
  carpet: 'carpet',
  grass: 'grass',
  gravel: 'gravel',
  paving: 'paving',
};

export const loudWords: Record<TooLoud, string> = {
  inflators: 'inflators',
  drilling: 'drilling or hammering',
  carrying: 'carrying',
  music: 'music',
};

export const forbidWords: Record<NonNullable<Site['forbids']>[number], string> = {
  adhesive: 'adhesive',
  helium: 'helium',
  confetti: 'confetti',
  stakes: 'stakes',
  candles: 'candles',
};

export const conditionWords: Record<NonNullable<Spot['conditions']>[number], string> = {
  'fresh-paint': 'paint under 7 days',
  damp: 'damp',
  hot: 'heat',
};
