import { spawn } from 'node:child_process';
import { mkdir, readFile, rm } from 'node:fs/promises';

/** What a runner came to. */
interface Count {
  passed: number;
  failed: number;
}

interface Step {
  name: string;
  command: string[];
  /** Where the runner leaves its counts; a step without is one check by its exit code. */
  counts?: () => Promise<Count>;
}

const JEST = '.cache/jest.json';
const PLAYWRIGHT = '.cache/playwright.json';

const json = async (path: string) => JSON.parse(await readFile(path, 'utf8'));

const steps: Step[] = [
  { name: 'types', command: ['tsc', '-b'] },
  { name: 'lint and format', command: ['biome', 'ci', '--error-on-warnings', '.'] },
  {
    name: 'rules of the house',
    command: ['depcruise', 'packages', 'apps', 'e2e', 'tools', '--config', '.dependency-cruiser.cjs'],
  },
  { name: 'dead code', command: ['knip'] },
  {
    name: 'unit and server tests',
    command: ['jest', '--json', `--outputFile=${JEST}`],
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
  },
  {
    name: 'journeys in the browser',
    command: ['playwright', 'test'],
    counts: async () => {
      const { stats, errors } = await json(PLAYWRIGHT);
      return { passed: stats.expected, failed: stats.unexpected + stats.flaky + errors.length };
    },
  },
];

function run([program = '', ...args]: string[]): Promise<number> {
  return new Promise((done) => {
    const child = spawn(`node_modules/.bin/${program}`, args, { stdio: ['ignore', 'inherit', 'inherit'] });
    child.once('error', () => done(127));
    child.once('exit', (code) => done(code ?? 1));
  });
}

/** Runs every check and every runner, whatever fails before, and closes with one line for all. */
async function testAll(): Promise<void> {
  await mkdir('.cache', { recursive: true });
  const total = { passed: 0, failed: 0 };
  const failures: string[] = [];
  for (const step of steps) {
    console.log(`\n── ${step.name}`);
    const started = Date.now();
    await Promise.all(
      [JEST, PLAYWRIGHT].map((path) => (step.counts ? rm(path, { force: true }) : undefined)),
    );
    const code = await run(step.command);
    const counted = await step.counts?.().catch(() => undefined);
    const count = counted ?? { passed: code === 0 ? 1 : 0, failed: code === 0 ? 0 : 1 };
    // A runner that fails without a failed test has failed all the same.
    if (code !== 0 && count.failed === 0) count.failed = 1;
    total.passed += count.passed;
    total.failed += count.failed;
    if (count.failed) failures.push(step.name);
    console.log(
      `   ${step.name}: ${count.passed} passed, ${count.failed} failed in ${Math.round((Date.now() - started) / 1000)} s`,
    );
  }
  if (failures.length) console.log(`\nFailed: ${failures.join(', ')}`);
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exitCode = total.failed === 0 && total.passed > 0 ? 0 : 1;
}

await testAll();
