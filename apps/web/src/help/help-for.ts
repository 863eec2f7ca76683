const pages: [RegExp, string][] = [
  [/^\/workshop/, '01-first-start'],
  [/^\/sites/, '02-place'],
  [/^\/stock|\/counts$/, '05-counts'],
  [/\/pieces$/, '04-pieces'],
  [/\/holds$/, '06-holds'],
  [/\/bench$/, '07-bench'],
  [/\/load$/, '08-load'],
  [/^\/days|\/clock$/, '09-clock'],
  [/\/run-sheet$/, '10-day'],
  [/^\/on-site/, '11-on-site'],
];

/** The page of the guide that belongs to where one is; a job's brief, and how to begin one, anywhere else. */
export const helpFor = (path: string): string => pages.find(([where]) => where.test(path))?.[1] ?? '03-brief';
