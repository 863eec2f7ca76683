import type { SiteEntry, SiteEvent } from '@early-lantern/contract';
import { gearAway } from './gear-away.ts';

// That the newest word on a thing counts, at whichever job, is this product's own rule: common practice, no source.

const entry = (n: number, minute: number, event: SiteEvent, replaces?: number[]): SiteEntry => ({
  id: n.toString(16).padStart(32, '0'),
  at: new Date(Date.UTC(2027, 5, 19, 12, minute)).toISOString(),
  by: 'wren',
  event,
  ...(replaces ? { replaces: replaces.map((one) => one.toString(16).padStart(32, '0')) } : {}),
});
type Fate = Extract<SiteEvent, { kind: 'gear' }>['fate'];
const told = (n: number, minute: number, fate: Fate, replaces?: number[]) =>
  entry(n, minute, { kind: 'gear', row: 'kit tools scissors', fate }, replaces);

test.each<[string, SiteEntry[], SiteEntry[], object[]]>([
  ['nothing was told', [], [], []],
  ['it is back', [told(1, 0, 'back')], [], []],
  ['missing', [told(1, 0, 'missing')], [], [{ fate: 'missing', job: 'Ride' }]],
  ['missing, then found in the van', [told(1, 0, 'missing'), told(2, 5, 'back', [1])], [], []],
  ['missing, and that was a slip', [told(1, 0, 'missing'), entry(2, 5, { kind: 'taken-back' }, [1])], [], []],
  ['left at one, brought home from the next', [told(1, 0, 'kept on site')], [told(2, 60, 'back')], []],
  [
    'back from one, damaged at the next',
    [told(1, 0, 'back')],
    [told(2, 60, 'damaged')],
    [{ fate: 'damaged', job: 'Shed' }],
  ],
  [
    'told late of the earlier one: what was said last counts, whichever job it was of',
    [told(2, 60, 'missing')],
    [told(1, 0, 'back')],
    [{ fate: 'missing', job: 'Ride' }],
  ],
])('what is not home: %s', (_, ride, shed, expected) => {
  const found = gearAway([
    { job: 'Ride', log: ride },
    { job: 'Shed', log: shed },
  ]);
  expect(found).toMatchObject(expected);
  expect(found).toHaveLength(expected.length);
});
