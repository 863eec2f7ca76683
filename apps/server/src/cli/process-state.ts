import { readFile } from 'node:fs/promises';

/** Whether a process runs, is dead but not yet collected, or is gone. */
export async function processState(pid: number): Promise<'running' | 'zombie' | 'gone'> {
  const stat = await readFile(`/proc/${pid}/stat`, 'utf8').catch(() => '');
  if (!stat) return 'gone';
  // The name in brackets may hold anything; the state follows the last bracket.
  return stat.slice(stat.lastIndexOf(')') + 2).startsWith('Z') ? 'zombie' : 'running';
}

/** Command line of a process, words apart by blanks; empty when it is gone. */
export async function commandLine(pid: number): Promise<string> {
  return (await readFile(`/proc/${pid}/cmdline`, 'utf8').catch(() => '')).replaceAll('\0', ' ');
}
