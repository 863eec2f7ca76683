import { spawn } from 'node:child_process';
import { mkdir, readFile, rm } from 'node:fs/promises';

/** What a runner came to. */
interface Count {
  passed: number;
  failed: number;
}

interface Step {
  name: string;
  /** The part of the whole it belongs to. */
  part: Part;
  /** @param pattern of file names and titles; empty for all */
  command: (pattern: string) => string[];
  /** Where the runner leaves its counts; a step without is one check by its exit code. */
  counts?: () => Promise<Count>;
}

/** What can be asked for alone. */
const PARTS = ['checks', 'core', 'web', 'server', 'journeys'] as const;
type Part = (typeof PARTS)[number];

const JEST = '.cache/jest.json';
const PLAYWRIGHT = '.cache/playwright.json';

const json = async (path: string) => JSON.parse(await readFile(path, 'utf8'));

const check = (name: string, ...command: string[]): Step => ({
  name,
  part: 'checks',
  command: () => command,
});

/** Folders of Jest's tests, by part. */
const folders: Partial<Record<Part, string>> = {
  core: 'packages/',
  web: 'apps/web/',
  server: 'apps/server/',
};

/** One run of Jest over some parts; a pattern names files. */
function jest(parts: readonly Part[]): Step {
  const projects = parts.includes('server') ? ['core', 'server'] : ['core'];
  return {
    name: parts.length > 1 ? 'unit and server tests' : `tests of ${parts[0]}`,
    part: parts[0] as Part,
    command: (pattern) => [
      'jest',
      '--json',
      `--outputFile=${JEST}`,
      '--passWithNoTests',
      '--selectProjects',
      ...(parts.length === 1 && parts[0] === 'server' ? ['server'] : projects),
      '--testPathPatterns',
      // Whatever stands between the folder and the name.
      `(${parts.map((part) => folders[part]).join('|')}).*${pattern}`,
    ],
    counts: async () => {
      const { numPassedTests, numFailedTests, numFailedTestSuites, testResults } = await json(JEST);
      // A file that does not even load counts as a failure though none of its tests ran.
      const broken = testResults.filter(
        (file: { status: string; assertionResults: unknown[] }) =>
          file.status === 'failed' && file.assertionResults.length === 0,
      );
      return {
        passed: numPassedTests,
        failed: numFailedTestSuites ? numFailedTests + broken.length : numFailedTests,
      };
    },
  };
}

const checks: Step[] = [
  // The compiler in its native build: a third of the time. The other one is for tools that read programs.
  check('types', '../typescript-native/bin/tsc', '-b'),
  check('lint and format', 'biome', 'ci', '--error-on-warnings', '.'),
  check(
    'rules of the house',
    'depcruise',
    'packages',
    'apps',
    'e2e',
    'tools',
    '--config',
    '.dependency-cruiser.cjs',
  ),
  check('dead code', 'knip'),
  check('licences', 'tsx', 'tools/notices.ts', '--check'),
];

const journeys: Step = {
  name: 'journeys in the browser',
  part: 'journeys',
  command: (pattern) => ['playwright', 'test', '--pass-with-no-tests', ...(pattern ? [pattern] : [])],
  counts: async () => {
    const { stats, errors } = await json(PLAYWRIGHT);
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky + errors.length };
  },
};

/** What is asked for: everything, or one part, of it the files that a pattern names. */
function asked([part, pattern = '', ...more]: readonly string[]): { steps: Step[]; pattern: string } {
  if (part === undefined)
    return { steps: [...checks, jest(['core', 'web', 'server']), journeys], pattern: '' };
  const known = PARTS.find((one) => one === part);
  if (!known || more.length > 0) {
    console.error(`Usage: ./lantern test [${PARTS.join(' | ')} [PATTERN]]`);
    process.exit(2);
  }
  if (known === 'checks') return { steps: checks, pattern };
  return { steps: [known === 'journeys' ? journeys : jest([known])], pattern };
}

/** What a program said, and how it ended. */
interface Ended {
  code: number;
  /** Empty where it said it at once. */
  said: string;
}

/** @param isQuiet its words are kept until it has ended, so that they do not run into those of others */
function run([program = '', ...args]: string[], isQuiet = false): Promise<Ended> {
  return new Promise((done) => {
    const to = isQuiet ? 'pipe' : 'inherit';
    const child = spawn(`node_modules/.bin/${program}`, args, { stdio: ['ignore', to, to] });
    let said = '';
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (chunk) => {
        said += chunk;
      });
    child.once('error', () => done({ code: 127, said }));
    child.once('close', (code) => done({ code: code ?? 1, said }));
  });
}

/** Runs what is asked for, whatever fails before, and closes with one line for all. */
async function test({ steps, pattern }: ReturnType<typeof asked>): Promise<void> {
  await mkdir('.cache', { recursive: true });
  const total = { passed: 0, failed: 0 };
  const failures: string[] = [];
  const judge = async (step: Step, ended: Promise<Ended>, started: number) => {
    const { code, said } = await ended;
    const counted = await step.counts?.().catch(() => undefined);
    const count = counted ?? { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
    // A runner that fails without a failed test has failed all the same.
    if (code !== 0 && count.failed === 0) count.failed = 1;
    total.passed += count.passed;
    total.failed += count.failed;
    if (count.failed) failures.push(step.name);
    if (said) process.stdout.write(`\n── ${step.name}\n${said}`);
    console.log(
      `   ${step.name}: ${count.passed} passed, ${count.failed} failed in ${Math.round((Date.now() - started) / 1000)} s`,
    );
  };
  // Checks run beside the first tests: most of them take one core.
  const beside = checks
    .filter((step) => steps.includes(step))
    .map((step) => judge(step, run(step.command(pattern), true), Date.now()));
  for (const step of steps.filter((one) => !checks.includes(one))) {
    console.log(`\n── ${step.name}`);
    const started = Date.now();
    await Promise.all(
      [JEST, PLAYWRIGHT].map((path) => (step.counts ? rm(path, { force: true }) : undefined)),
    );
    await judge(step, run(step.command(pattern)), started);
    await Promise.all(beside);
  }
  await Promise.all(beside);
  if (failures.length) console.log(`\nFailed: ${failures.join(', ')}`);
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1;
}

await test(asked(process.argv.slice(2)));
