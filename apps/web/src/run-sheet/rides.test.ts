import type { JobFile, Plan } from '@early-lantern/contract';
import { ridesOf } from './rides.ts';

test('every vehicle has its driver and riders, nobody twice, nobody left standing', () => {
  const person = (id: string, skills: string[]) => ({ id, name: `${id} Reed`, skills });
  const file = {
    workshop: {
      crew: [person('Wren', ['driver']), person('Ilo', ['driver']), person('Sefa', []), person('Bram', [])],
      inflators: [],
      vehicles: [{ id: 'van', name: 'The van', seats: 2 }],
    },
    job: { crew: ['Wren', 'Ilo', 'Sefa', 'Bram'], cars: [{ id: 'c', name: "Ilo's car", seats: 4 }] },
  } as unknown as JobFile;
  const plan = {
    onTime: { leaveBy: [{ vehicle: 'van', at: '' }] },
    tasks: [{ id: 'drive-out', crew: ['Sefa', 'Wren', 'Ilo', 'Bram'] }],
  } as unknown as Plan;
  expect(ridesOf(file, plan)).toEqual(['The van (Wren drives, Sefa)', "Ilo's car (Ilo drives, Bram)"]);
});
