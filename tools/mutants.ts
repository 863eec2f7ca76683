/**
 * Mutation tests: small faults are put into a folder of the engine one by one, and its own tests must notice. Prints
 * the share that is noticed, folder by folder, and writes it to docs/mutants.md.
 */
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { Stryker } from '@stryker-mutator/core';

const FOLDERS = ['stock', 'materials', 'bench', 'cautions', 'lasting', 'fixing', 'structure', 'lamps'];
const ROOT = 'packages/core/src';
const PAGE = 'docs/mutants.md';

/** Tests of a folder that plan whole jobs over and over: too slow to run once for every fault. */
const TOO_SLOW = ['agreement.test.ts', 'papers.test.ts'];

/** Of a large folder every so many windows of lines is taken: the share is then an estimate. */
const WINDOW_LINES = 15;

interface Score {
  folder: string;
  /** One window in so many was taken. */
  oneIn: number;
  killed: number;
  survived: number;
}

/** What is changed: every file of a folder, or one window of lines in so many. */
function windowsOf(folder: string, oneIn: number): string[] {
  const sources = readdirSync(`${ROOT}/${folder}`, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .sort();
  let window = 0;
  return sources.flatMap((name) => {
    const path = `${ROOT}/${folder}/${name}`;
    const lines = readFileSync(path, 'utf8').split('\n').length;
    const starts = Array.from({ length: Math.ceil(lines / WINDOW_LINES) }, (_, i) => 1 + i * WINDOW_LINES);
    return starts
      .filter(() => window++ % oneIn === 0)
      .map((start) => `${path}:${start}-${Math.min(lines, start + WINDOW_LINES - 1)}`);
  });
}

/** Small faults in a folder, tried on its own tests. */
async function scoreOf(folder: string, oneIn: number): Promise<Score> {
  const tests = readdirSync(`${ROOT}/${folder}`, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.test.ts') && !TOO_SLOW.includes(name))
    .map((name) => `${ROOT}/${folder}/${name}`);
  process.env.MUTANTS_TESTS = JSON.stringify(tests);
  const results = await new Stryker({
    mutate:
      oneIn > 1 ? windowsOf(folder, oneIn) : [`${ROOT}/${folder}/**/*.ts`, `!${ROOT}/${folder}/**/*.test.ts`],
    testRunner: 'jest',
    jest: { projectType: 'custom', configFile: 'jest.mutants.config.js', enableFindRelatedTests: false },
    coverageAnalysis: 'perTest',
    // Words of a sentence are no faults of a figure.
    mutator: { excludedMutations: ['StringLiteral', 'ObjectLiteral'] },
    ignorePatterns: ['apps', 'e2e', 'docs', '.cache', 'test-results'],
    reporters: ['clear-text'],
    clearTextReporter: { allowColor: false, logTests: false, reportScoreTable: false },
    concurrency: Number(process.env.MUTANTS_AT_ONCE ?? 2),
    tempDirName: '.cache/stryker',
    timeoutMS: 8000,
    disableTypeChecks: true,
    logLevel: 'error' as never,
  } as never).runMutationTest();
  const killed = results.filter(({ status }) => status === 'Killed' || status === 'Timeout').length;
  const survived = results.filter(({ status }) => status === 'Survived' || status === 'NoCoverage').length;
  return { folder, oneIn, killed, survived };
}

const pct = ({ killed, survived }: Score) => Math.round((100 * killed) / Math.max(1, killed + survived));

/** The rows of the page written before, kept where a folder is not measured this time. */
function known(): Map<string, string> {
  const rows = new Map<string, string>();
  try {
    for (const line of readFileSync(PAGE, 'utf8').split('\n')) {
      const folder = /^\| `(\w+)`/.exec(line)?.[1];
      if (folder) rows.set(folder, line);
    }
  } catch {
    // The first time there is no page.
  }
  return rows;
}

function write(rows: Map<string, string>): void {
  const order = [...FOLDERS, ...rows.keys()].filter((one, i, all) => all.indexOf(one) === i && rows.has(one));
  writeFileSync(
    PAGE,
    `# Would the tests notice?

\`./lantern mutants [folder …] [--one-in 4]\` puts small faults into the engine's code one by one (a turned comparison, a sum made a
difference, a branch left out) and runs the tests that belong to the folder. Noticed is a fault for which one of them
fails. Words are left alone. Of a large folder one window of lines in so many may be taken. Tool: StrykerJS 9.6.

| folder | faults | noticed | share |
|---|---|---|---|
${order.map((folder) => rows.get(folder)).join('\n')}
`,
  );
}

const { values, positionals: asked } = parseArgs({
  options: { 'one-in': { type: 'string', default: '1' } },
  allowPositionals: true,
});
const oneIn = Math.max(1, Number(values['one-in']) || 1);
const there = readdirSync(ROOT, { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);
const unknown = asked.filter((folder) => !there.includes(folder));
if (unknown.length > 0) {
  console.error(`no folder ${unknown.join(', ')} in ${ROOT}`);
  process.exit(1);
}
const rows = known();
for (const folder of asked.length > 0 ? asked : FOLDERS) {
  const score = await scoreOf(folder, oneIn);
  rows.set(
    folder,
    `| \`${folder}\` | ${score.killed + score.survived}${oneIn > 1 ? `, of a sample: one in ${oneIn}` : ''} | ${score.killed} | ${pct(score)} % |`,
  );
  write(rows);
  console.log(`${folder}: ${pct(score)} % of ${score.killed + score.survived} faults noticed`);
}
