/** The pages of a job in the order of the work, each with its key. */
export const tabs = [
  { path: 'brief', label: 'Brief', key: 'b' },
  { path: 'pieces', label: 'Pieces', key: 'p' },
  { path: 'counts', label: 'Counts', key: 'c' },
  { path: 'holds', label: 'Holds', key: 'f' },
  { path: 'bench', label: 'Bench', key: 'n' },
  { path: 'load', label: 'Load', key: 'l' },
  { path: 'clock', label: 'Clock', key: 'k' },
  { path: 'run-sheet', label: 'Run sheet', key: 'r' },
];
