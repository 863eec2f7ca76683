import type { Floor, Site, Spot, SpotKind, Surface } from '@early-lantern/contract';
import { hasSurface } from '@early-lantern/core';
import { newId } from '../parts/ids.ts';

/** What is asked of a place before anything can be drawn there. Nothing is taken for granted: what is not said is asked. */
export interface NewPlace {
  name: string;
  indoors?: boolean;
  kind?: SpotKind;
  widthM: number;
  heightM: number;
  surface?: Surface;
  floor?: Floor;
  /** What the venue forbids; left out, nobody has asked. */
  forbids?: NonNullable<Site['forbids']>;
  driveMin: number;
  /** Address, way in, who opens. */
  access: string;
}

export const blankPlace: NewPlace = { name: '', widthM: 4.8768, heightM: 3.048, driveMin: 20, access: '' };

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

/** What is still missing, in words. */
export function missingOf(place: NewPlace): string | undefined {
  if (!place.name.trim()) return 'Give the place a name.';
  if (place.indoors === undefined) return 'Say whether it is indoors or outdoors.';
  return place.kind ? undefined : 'Say what kind of spot it is.';
}

/** A spot as another kind: what no longer applies is dropped, so that a tree has no wallpaper. */
export function asKind(spot: Spot, kind: SpotKind): Spot {
  const { regions: _, conditions: __, stair: ___, ...rest } = spot;
  const kept = hasSurface(kind) && hasSurface(spot.kind);
  return kept ? { ...spot, kind } : { ...rest, kind, surface: usualSurface[kind] };
}

export function siteOf(place: NewPlace, spotName: string): Site {
  const kind = place.kind ?? 'wall';
  const named = place.name.trim();
  return {
    id: newId(named),
    name: named,
    indoors: place.indoors ?? true,
    driveMin: place.driveMin,
    loadIn: { distanceM: 30.48, steps: 0 },
    spots: [
      {
        id: kind,
        name: spotName,
        kind,
        widthM: place.widthM,
        heightM: place.heightM,
        surface: place.surface ?? usualSurface[kind],
        ...(place.floor ? { floor: place.floor } : {}),
      },
    ],
    ...(place.forbids ? { forbids: place.forbids } : {}),
    rules: '',
    contact: '',
    ...(place.access.trim() ? { access: place.access.trim() } : {}),
  };
}
