import { asGeoJson, pointText, readGeoJson, readPoint } from './geo.ts';

test('points as people write them, and what is none', () => {
  expect(readPoint('44.05, -91.64')).toEqual({ lat: 44.05, lon: -91.64 });
  expect(readPoint(pointText({ lat: -3.2, lon: 150 }))).toEqual({ lat: -3.2, lon: 150 });
  for (const text of ['', 'here', '44', '91, 200', '1 2 3']) expect(readPoint(text)).toBeUndefined();
});

test('GeoJSON (RFC 7946): longitude first; a feature, a collection, a bare point; ours read back', () => {
  const at = { lat: 44.05, lon: -91.64 };
  expect(readGeoJson(asGeoJson(at, 'Upper Meadow'))).toEqual({ at, name: 'Upper Meadow' });
  const line = { type: 'Feature', geometry: { type: 'LineString', coordinates: [] }, properties: null };
  const collection = { type: 'FeatureCollection', features: [line, JSON.parse(asGeoJson(at, 'Shed'))] };
  expect(readGeoJson(JSON.stringify(collection))).toEqual({ at, name: 'Shed' });
  expect(readGeoJson('{"type":"Point","coordinates":[-91.64,44.05,210]}')).toEqual({ at, name: undefined });
  expect(() => readGeoJson('{}')).toThrow('no point');
  expect(() => readGeoJson('no')).toThrow('not JSON');
});
