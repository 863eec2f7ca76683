import { type Site, Site as SiteSchema, Spot } from '@early-lantern/contract';
import { placeChanges, placeWords, spotWords, wayWords } from './place-changes.ts';

const before: Site = {
  id: 'gate',
  name: 'Gate',
  indoors: false,
  driveMin: 15,
  loadIn: { distanceM: 30, steps: 0 },
  spots: [
    { id: 'fence', name: 'Fence', kind: 'fence', widthM: 6, heightM: 2, surface: 'wood', keepClear: [] },
  ],
  rules: '',
  contact: '',
};
const feet = (metres: number) => `${Math.round(metres / 0.3048)} ft`;

test('changes of a place are told in words, each once, lengths in the shop’s unit', () => {
  const zone = { id: 'way', kind: 'walkway' as const, xM: 0, yM: 0, widthM: 6, heightM: 2 };
  const now = structuredClone(before);
  Object.assign(now, { driveMin: 55, forbids: ['stakes'], quiet: { from: '22:00', to: '06:00' } });
  Object.assign(now.loadIn, { distanceM: 60.96, kerb: { from: '06:00', to: '08:00' }, kerbMin: 30 });
  Object.assign(now.spots[0] as Spot, { heightM: 3.048, keepClear: [zone] });
  expect(placeChanges(now, before, feet)).toEqual([
    'minutes to drive: was 15, is 55',
    'the way from the van: was 98 ft, is 200 ft',
    'hours at the set-down: changed',
    'minutes at the set-down: was not known, is 30',
    'Fence, height: was 7 ft, is 10 ft',
    'Fence, what must stay clear: changed',
    'what the venue forbids: changed',
    'quiet hours: changed',
  ]);
  expect(placeChanges(before, before, feet)).toEqual([]);
});

test('every field that a place has is named', () => {
  const keys = (schema: { shape: object }, ...without: string[]) =>
    Object.keys(schema.shape).filter((key) => !without.includes(key));
  const site = SiteSchema as unknown as { shape: { loadIn: { shape: object } } };
  expect(Object.keys(placeWords).sort()).toEqual(keys(site, 'id', 'spots', 'loadIn').sort());
  expect(Object.keys(wayWords).sort()).toEqual(keys(site.shape.loadIn).sort());
  expect(Object.keys(spotWords).sort()).toEqual(keys(Spot as unknown as { shape: object }, 'id').sort());
});
