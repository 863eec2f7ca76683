import { GeoPoint } from '@early-lantern/contract';

/** `44.0123, -91.9876`: latitude first, as people write it. */
export const pointText = (at: GeoPoint | undefined): string => (at ? `${at.lat}, ${at.lon}` : '');

/** Reads a point as people write it; undefined where it is none. */
export function readPoint(text: string): GeoPoint | undefined {
  const [lat, lon, ...more] = text
    .split(/[,;\s]+/)
    .filter(Boolean)
    .map(Number);
  const read = GeoPoint.safeParse({ lat, lon });
  return read.success && more.length === 0 ? read.data : undefined;
}

/** The first point of a GeoJSON document (RFC 7946), with its name. @throws Error where there is none */
export function readGeoJson(text: string): { at: GeoPoint; name: string | undefined } {
  let document: unknown;
  try {
    document = JSON.parse(text);
  } catch {
    throw new Error('It is not JSON.');
  }
  const found = firstPoint(document, undefined);
  if (!found) throw new Error('It holds no point.');
  return found;
}

interface GeoNode {
  type?: unknown;
  features?: unknown;
  geometry?: unknown;
  properties?: { name?: unknown } | null;
  coordinates?: unknown;
}

function firstPoint(
  node: unknown,
  name: string | undefined,
): { at: GeoPoint; name: string | undefined } | undefined {
  if (typeof node !== 'object' || node === null) return undefined;
  const { type, features, geometry, properties, coordinates } = node as GeoNode;
  if (type === 'FeatureCollection' && Array.isArray(features)) {
    for (const one of features) {
      const found = firstPoint(one, undefined);
      if (found) return found;
    }
    return undefined;
  }
  if (type === 'Feature')
    return firstPoint(geometry, typeof properties?.name === 'string' ? properties.name : undefined);
  if (type !== 'Point' || !Array.isArray(coordinates)) return undefined;
  const read = GeoPoint.safeParse({ lon: coordinates[0], lat: coordinates[1] });
  return read.success ? { at: read.data, name } : undefined;
}

/** A place as a GeoJSON feature. */
export const asGeoJson = (at: GeoPoint, name: string): string =>
  JSON.stringify(
    { type: 'Feature', geometry: { type: 'Point', coordinates: [at.lon, at.lat] }, properties: { name } },
    undefined,
    2,
  );
