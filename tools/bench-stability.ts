import type { JobFile, Plan } from '@early-lantern/contract';
import { draftPlan, shownTasks } from '@early-lantern/core';

/** A task is moved when it is somebody else's, or begins so many minutes earlier or later. */
const MOVED_MIN = 5;

interface Edit {
  what: string;
  edit: (file: JobFile) => void;
}

const garlands = ({ job }: JobFile) =>
  job.pieces.flatMap((piece) => (piece.kind === 'organic-garland' ? [piece] : []));

/** Ten edits that an owner makes in passing: each changes the work by a little, none asks for another day. */
const smallEdits: Edit[] = [
  ...[0.3, -0.3, 0.6, -0.6].map((by) => ({
    what: `${by} filler trios a metre more`,
    edit: (file: JobFile) => {
      for (const { fillers } of garlands(file))
        if (fillers) fillers.triosPerM = Number((fillers.triosPerM + by).toFixed(3));
    },
  })),
  ...[1.02, 0.98].map((times) => ({
    what: `garlands ${times} times as wide`,
    edit: (file: JobFile) => {
      for (const piece of garlands(file)) piece.widthM *= times;
    },
  })),
  {
    what: 'garlands stretched by 2 %',
    edit: (file) => {
      for (const { line } of garlands(file)) for (const point of line) point.xM *= 1.02;
    },
  },
  {
    what: 'balloons blown half an inch less',
    edit: (file) => {
      for (const { sizes } of garlands(file))
        for (const { inflatedIn } of sizes) inflatedIn.max = Math.max(inflatedIn.min, inflatedIn.max - 0.5);
    },
  },
  ...[1, -1].map((by) => ({
    what: `a drive ${by} minute longer`,
    edit: ({ site }: JobFile) => {
      site.driveMin = Math.max(1, site.driveMin + by);
    },
  })),
];

/** Share of tasks, of those that both plans have, that another person does or that begin at another time. */
function movedShare(before: Plan, after: Plan): number {
  const known = new Map(before.tasks.map((task) => [task.id, task]));
  const both = after.tasks.filter(({ id }) => known.has(id));
  const moved = both.filter((task) => {
    const old = known.get(task.id);
    if (!old) return false;
    const people = [...old.crew].sort().join() !== [...task.crew].sort().join();
    return people || Math.abs(Date.parse(old.start) - Date.parse(task.start)) > MOVED_MIN * 60_000;
  });
  return both.length > 0 ? moved.length / both.length : 0;
}

/** Of ten small edits of each job: the median share of tasks that move, and the worst, per cent. */
export function benchStability(files: readonly JobFile[]): { median: number; worst: string } {
  const shares = files.flatMap((file) => {
    const before = draftPlan(file);
    return smallEdits.map(({ what, edit }) => {
      const changed = structuredClone(file);
      changed.job.clock = { ...changed.job.clock, shown: shownTasks(before.tasks) };
      edit(changed);
      return { what: `${file.job.name}: ${what}`, share: movedShare(before, draftPlan(changed)) };
    });
  });
  const sorted = [...shares].sort((a, b) => a.share - b.share);
  const median = sorted[Math.floor(sorted.length / 2)]?.share ?? Number.NaN;
  const worst = sorted.at(-1);
  return {
    median: median * 100,
    worst: worst ? `${(worst.share * 100).toFixed(0)} %, ${worst.what}` : '',
  };
}
