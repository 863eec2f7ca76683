import type { Task, Workshop } from '@early-lantern/contract';
import type { LaneBar } from './LaneChart.tsx';
import { lanesOf } from './lanes-of.ts';

const workshop = {
  crew: [
    { id: 'wren', name: 'Wren Haddock' },
    { id: 'ilo', name: 'Ilo Marsh' },
  ],
  vehicles: [{ id: 'van', name: 'The long van' }],
  ladders: [{ id: 'step-8', name: 'Step ladder, 8 ft' }],
  inflators: [{ id: 'red', name: 'Twin nozzle, red' }],
  wagons: 1,
} as unknown as Workshop;

const task = (id: string, crew: string[], gear: string[]) => ({ id, crew, gear }) as Task;

test('a lane for each person, van, ladder and inflator that has something to do; a hired ladder by its like', () => {
  const lanes = lanesOf(
    [
      task('inflate', ['wren'], ['red']),
      task('drive', ['wren'], ['van', 'wagon-1']),
      task('hang', ['wren'], ['hired-1-step-8']),
      task('fill', ['wren'], ['hired-1-step-8']),
    ],
    workshop,
    ({ id }) => ({ key: id }) as LaneBar,
  );
  expect(lanes.map(({ name, bars }) => [name, bars.map(({ key }) => key)])).toEqual([
    ['Wren', ['inflate', 'drive', 'hang', 'fill']],
    ['The long van', ['drive']],
    ['Step ladder, 8 ft, hired', ['hang', 'fill']],
    ['Twin nozzle, red', ['inflate']],
  ]);
});
