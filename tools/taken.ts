import { readFileSync } from 'node:fs';

/** Time of all cores since the start, by what it went to, in ticks (Linux, proc_stat(5)); null elsewhere. */
function coreTimes(): { resting: number; taken: number; all: number } | null {
  try {
    const [user = 0, nice = 0, system = 0, idle = 0, waiting = 0, irq = 0, softIrq = 0, taken = 0] =
      readFileSync('/proc/stat', 'utf8').split('\n', 1)[0]?.split(/\s+/).slice(1).map(Number) ?? [];
    const resting = idle + waiting;
    return { resting, taken, all: user + nice + system + resting + irq + softIrq + taken };
  } catch {
    return null;
  }
}

/**
 * Watches how much of the time for which this machine wanted its cores others had them, that run on the same hardware: what is measured
 * meanwhile takes longer by as much, and more where one core waits for the other.
 *
 * @returns asked later, the share since now, %; null where the machine does not tell
 */
export function watchTaken(): () => number | null {
  const before = coreTimes();
  return () => {
    const now = coreTimes();
    if (!before || !now) return null;
    const wanted = now.all - before.all - (now.resting - before.resting);
    return wanted > 0 ? (100 * (now.taken - before.taken)) / wanted : 0;
  };
}
