import type { NewPlace, Site, Spot, SpotKind, Surface } from '@early-lantern/contract';
import { hasSurface } from '@early-lantern/core';
import { newId } from '../parts/ids.ts';
import { spotWords } from './words.ts';

/** A form as it is opened: what has no usual answer is left to be asked. */
export const blankPlace: Partial<NewPlace> = {
  name: '',
  widthM: 4.8768,
  heightM: 3.048,
  driveMin: 20,
  access: '',
};

/** What a kind of spot is made of where there is no choice; else what is asked first. */
export const usualSurface: Record<SpotKind, Surface> = {
  wall: 'painted',
  window: 'glass',
  tree: 'wood',
  'open-floor': 'wood',
  table: 'wood',
  'ceiling-run': 'painted',
  stair: 'wood',
  fence: 'wood',
  'backdrop-stand': 'fabric',
};

/** A spot as another kind: what no longer applies is dropped, so that a tree has no wallpaper. */
export function asKind(spot: Spot, kind: SpotKind): Spot {
  const { regions: _, conditions: __, stair: ___, ...rest } = spot;
  const kept = hasSurface(kind) && hasSurface(spot.kind);
  return kept ? { ...spot, kind } : { ...rest, kind, surface: usualSurface[kind] };
}

/** A place with one spot, as it is kept. */
export function siteOf(place: NewPlace): Site {
  const { name, indoors, driveMin, kind, widthM, heightM, floor, forbids, access } = place;
  return {
    id: newId(name),
    name,
    indoors,
    driveMin,
    loadIn: { distanceM: 30.48, steps: 0 },
    spots: [
      {
        id: kind,
        name: capital(spotWords[kind]),
        kind,
        widthM,
        heightM,
        surface: place.surface ?? usualSurface[kind],
        ...(floor ? { floor } : {}),
      },
    ],
    ...(forbids ? { forbids } : {}),
    rules: '',
    contact: '',
    ...(access ? { access } : {}),
  };
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
