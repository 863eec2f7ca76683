import { type ChildProcess, spawn } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';

/** A process that has run so long is sound: if it goes down then, the next one is started at once. */
const SOUND_MS = 30_000;
const FIRST_WAIT_MS = 100;
const LONGEST_WAIT_MS = 3_000;
/** Without a word for so many looks it hangs. Looks that a sleeping machine missed do not count. */
const LOOK_MS = 5_000;
const SILENT_LOOKS = 6;
/** Asked to end it may end what is under way; then it is ended. */
const PATIENCE_MS = 20_000;

/** A process of ours that is kept running. */
export interface Kept {
  /** Resolves once the first one says that it is ready. @throws Error where it ends before that */
  ready: Promise<void>;
  /** Ends the one that runs; another takes its place. */
  again(): void;
  /** Ends it for good. */
  stop(): Promise<void>;
}

/**
 * Runs this very program with other words, in a process of its own, and again whenever that one goes down or hangs: it says so,
 * and waits a little longer each time where it never comes to run soundly.
 * @param name what people call it
 */
export function keepAlive(name: string, args: readonly string[]): Kept {
  let child: ChildProcess | undefined;
  let isStopping = false;
  let isReady = false;
  let sayReady = () => {};
  let sayFailed = (_: Error) => {};
  const ready = new Promise<void>((done, fail) => {
    sayReady = done;
    sayFailed = fail;
  });

  const keeping = (async () => {
    let wait = FIRST_WAIT_MS;
    while (!isStopping) {
      const since = Date.now();
      const how = await runOnce(
        args,
        (started) => {
          child = started;
        },
        () => {
          isReady = true;
          sayReady();
        },
      );
      if (isStopping) break;
      if (!isReady) {
        // It never ran: it has said why, and would only say it again.
        sayFailed(new Error(`The ${name} did not start (${how}).`));
        return;
      }
      if (Date.now() - since > SOUND_MS) wait = FIRST_WAIT_MS;
      console.error(`The ${name} went down (${how}) and is started again.`);
      await sleep(wait);
      wait = Math.min(LONGEST_WAIT_MS, wait * 2);
    }
  })();

  return {
    ready,
    again: () => void child?.kill('SIGTERM'),
    async stop() {
      isStopping = true;
      child?.kill('SIGTERM');
      const cut = setTimeout(() => child?.kill('SIGKILL'), PATIENCE_MS);
      await keeping;
      clearTimeout(cut);
    },
  };
}

/** Runs it until it ends. @returns how it ended */
function runOnce(
  args: readonly string[],
  started: (child: ChildProcess) => void,
  ready: () => void,
): Promise<string> {
  const child = spawn(process.execPath, [...process.execArgv, process.argv[1] as string, ...args], {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    // Ctrl-C goes to the keeper alone, which ends what it keeps in its order.
    detached: true,
  });
  started(child);
  let silentLooks = 0;
  child.on('message', (word) => {
    silentLooks = 0;
    if (word === READY) ready();
  });
  const looking = setInterval(() => {
    silentLooks += 1;
    if (silentLooks > SILENT_LOOKS) child.kill('SIGKILL');
  }, LOOK_MS);
  return new Promise((done) => {
    child.once('error', (error) => done(error.message));
    child.once('exit', (code, signal) => done(signal ?? `code ${code}`));
  }).then((how) => {
    clearInterval(looking);
    return how as string;
  });
}

const READY = 'ready';
const ALIVE = 'alive';

/** The other side: says that this process is ready, and from then on that it is alive; ends with the one that keeps it. */
export function reportTo(keeper: NodeJS.Process): { ready(): void } {
  // Whoever started it was killed: nobody would stop it any more, and the next start needs its port.
  keeper.on('disconnect', () => process.exit(1));
  const beat = setInterval(() => keeper.send?.(ALIVE), LOOK_MS / 2);
  beat.unref();
  return { ready: () => void keeper.send?.(READY) };
}
