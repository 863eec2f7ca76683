import type { BalloonRow, ColourId, Task } from '@early-lantern/contract';
import { sizeName } from '@early-lantern/core';
import { beforeDoors, clockTime } from '../parts/time.ts';

interface TaskTableProps {
  tasks: readonly Task[];
  zone: string;
  doors: string;
  /** Whose table it is: they are left out of who does it, and what they take in hand is named. */
  person: string | undefined;
  nameOf: (id: string) => string;
}

/** Tasks with a box to tick, the clock, and who does them. */
export function TaskTable({ tasks, zone, doors, person, nameOf }: TaskTableProps) {
  return (
    <table className="sheet-tasks">
      <thead>
        <tr>
          <th aria-label="Done" />
          <th>Clock</th>
          <th>Doors</th>
          <th>Task</th>
          <th>{person ? 'With' : 'Who'}</th>
        </tr>
      </thead>
      <tbody>
        {tasks.map((task) => (
          <tr key={task.id}>
            <td className="sheet-tick" />
            <td className="sheet-nowrap">
              {clockTime(task.start, zone)}–{clockTime(task.end, zone)}
            </td>
            <td className="sheet-nowrap">{beforeDoors(task.start, doors)}</td>
            <td className="sheet-label">{task.label}</td>
            <td>
              {[...task.crew.filter((id) => id !== person), ...(person ? task.gear : [])]
                .map(nameOf)
                .join(', ')}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Balloons by size and colour, with their spares. */
export function BalloonTable({
  rows,
  colourName,
}: {
  rows: readonly BalloonRow[];
  colourName: (id: string) => string;
}) {
  const sizes = [...new Set(rows.map((row) => row.nominalIn))];
  const colours = [...new Set(rows.map((row) => row.colour))];
  const cell = (size: number, colour: ColourId) => {
    const own = rows.filter((row) => row.nominalIn === size && row.colour === colour);
    const need = own.reduce((sum, row) => sum + row.need, 0);
    const kept = own.reduce((sum, row) => sum + row.kept, 0);
    if (need === 0) return '';
    return `${need} + ${own.reduce((sum, row) => sum + row.spare, 0)}${kept > 0 ? `, ${kept} of them kept` : ''}`;
  };
  return (
    <table className="sheet-counts">
      <thead>
        <tr>
          <th>need + spare</th>
          {colours.map((colour) => (
            <th key={colour}>{colourName(colour)}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {sizes.map((size) => (
          <tr key={size}>
            <th scope="row">{sizeName(size)}</th>
            {colours.map((colour) => (
              <td key={colour}>{cell(size, colour)}</td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
