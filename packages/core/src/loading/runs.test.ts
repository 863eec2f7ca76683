import type { JobFile, Task } from '@early-lantern/contract';
import { ridesOf } from './rooms.ts';
import { runsOf } from './runs.ts';

test('every vehicle has its driver and riders, nobody twice, nobody left standing; strike crew apart', () => {
  const person = (id: string, skills: string[]) => ({ id, name: `${id} Reed`, skills });
  const file = {
    site: { name: 'The hall' },
    workshop: {
      crew: [person('wren', ['driver']), person('ilo', ['driver']), person('sefa', []), person('bram', [])],
      vehicles: [{ id: 'van', name: 'The van', seats: 2 }],
    },
    job: { cars: [{ id: 'c', name: "Ilo's car", seats: 4 }] },
  } as unknown as JobFile;
  const task = (id: string, crew: string[], from: number): Task =>
    ({ id, crew, gear: ['van', 'wagon-1'], start: `T${from}`, end: `T${from + 1}` }) as unknown as Task;
  const runs = runsOf(file, [
    task('drive-out', ['sefa', 'wren', 'ilo', 'bram'], 1),
    task('drive-home', ['sefa', 'wren', 'ilo', 'bram'], 3),
    task('drive-strike', ['wren', 'bram'], 5),
  ]);
  expect(runs.map(({ trip, vehicle, driver, riders }) => [trip, vehicle, driver, riders])).toEqual([
    ['set-up', 'van', 'wren', ['sefa']],
    ['set-up', 'c', 'ilo', ['bram']],
    ['strike', 'van', 'wren', ['bram']],
    ['strike', 'c', null, []],
  ]);
  expect(runs[0]?.legs.map(({ from, to, leave }) => [from, to, leave])).toEqual([
    ['the workshop', 'The hall', 'T1'],
    ['The hall', 'the workshop', 'T3'],
  ]);
});

test('who may not drive a van is not put at its wheel; the others are so that every vehicle has somebody', () => {
  const person = (id: string) => ({ id, name: id, skills: ['driver'] });
  const vehicles = [
    { id: 'car', name: 'Car', seats: 4 },
    { id: 'truck', name: 'Truck', seats: 2, drivers: ['wren'] },
  ];
  const file = {
    workshop: { crew: [person('wren'), person('ilo')], vehicles },
    job: {},
  } as unknown as JobFile;
  const of = (people: string[]) =>
    ridesOf(file, 'set-up', { people, vehicles: ['car', 'truck'] }).map(({ id, driver }) => [id, driver]);
  // The first that comes for the car would leave the truck without anybody.
  expect(of(['wren', 'ilo'])).toEqual([
    ['car', 'ilo'],
    ['truck', 'wren'],
  ]);
  expect(of(['ilo'])).toEqual([
    ['car', 'ilo'],
    ['truck', null],
  ]);
});
