import type { JobFile, PackingRow, Task } from '@early-lantern/contract';
import { neededFor } from './needed-for.ts';

const file = { workshop: { units: 'metric', gear: [], own: [] }, job: { pieces: [] } } as unknown as JobFile;
const task = { id: 'press', gear: [] } as unknown as Task;
const row = (id: string, label: string, bag: string | null, qty = 1) =>
  ({ id, label, bag, qty, unit: '', forTask: 'press' }) as unknown as PackingRow;
const loose = (i: number) => row(`bag B-1, ${i} of 3`, `Bag B-1, ${i} of 3: Arch, loose`, `B-1, ${i} of 3`);

test('bags of the same are one line, what lies in one case another; sections and single things stand alone', () => {
  const packing = [
    loose(1),
    row('bag A-1', 'Bag A-1: Arch, section 1 of 2', 'A-1'),
    loose(2),
    loose(3),
    row('kit scissors', 'Scissors', 'Tool case', 2),
    row('kit marker', 'Marker', 'Tool case'),
    row('kit pump', 'Hand pump', 'Tool case'),
    row('kit cloth', 'Drop cloth', 'Cloths', 2),
    row('gear stand', 'Stand', null),
    { ...row('kit other', 'Rope', null), forTask: 'another' },
  ];
  expect(neededFor(task, file, { packing })).toEqual([
    'Bags B-1, all 3: Arch, loose',
    'Bag A-1: Arch, section 1 of 2',
    'Tool case: 2 × Scissors, 1 × Marker, 1 × Hand pump',
    '2 × Drop cloth (Cloths)',
    '1 × Stand',
  ]);
});

test('of bags of the same that are not all for one task each is told', () => {
  expect(neededFor(task, file, { packing: [loose(1), loose(3)] })).toEqual([
    'Bag B-1, 1 of 3: Arch, loose',
    'Bag B-1, 3 of 3: Arch, loose',
  ]);
});
