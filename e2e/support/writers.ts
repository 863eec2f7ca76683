import { setTimeout as sleep } from 'node:timers/promises';
import type { JobRow } from '@early-lantern/contract';

/** Writers that change the notes of jobs as fast as they are answered, one a job, and remember what was acknowledged. */
export class Writers {
  private readonly url: string;
  private readonly known = new Map<string, number>();
  private readonly working: Promise<void>[];
  private isEnding = false;
  private count = 0;

  constructor(url: string, jobIds: readonly string[]) {
    this.url = url;
    this.working = jobIds.map((id) => this.write(id));
  }

  /** Waits until every writer has had two more changes acknowledged. */
  async acknowledged(): Promise<void> {
    const now = this.count;
    while (this.count < now + 2 * this.working.length) await sleep(20);
  }

  /** Ends them. @returns what is wrong with what the product has in the end; nothing where all is well */
  async end(): Promise<string[]> {
    this.isEnding = true;
    await Promise.all(this.working);
    const faults = [...this.known].map(async ([id, edit]) => {
      const kept = Number((await this.read(id)).data.notes.replace('edit ', ''));
      // The one under way when something was killed may have been kept too.
      return kept >= edit ? [] : [`${id}: edit ${edit} was acknowledged, ${kept} is kept`];
    });
    return (await Promise.all(faults)).flat();
  }

  private read = async (id: string): Promise<JobRow> =>
    (await (await fetch(`${this.url}/api/v1/jobs/${id}`)).json()) as JobRow;

  private async write(id: string): Promise<void> {
    let row: JobRow | undefined;
    for (let edit = 1; !this.isEnding; edit++) {
      try {
        row ??= await this.read(id);
        const reply = await fetch(`${this.url}/api/v1/jobs/${id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ revision: row.revision, data: { ...row.data, notes: `edit ${edit}` } }),
        });
        const answer = await reply.json();
        if (!reply.ok) throw new Error(answer.code);
        row = answer as JobRow;
        this.known.set(id, edit);
        this.count += 1;
      } catch {
        // Refused, or nobody there: read again what it is now, and go on.
        row = undefined;
        await sleep(50);
      }
    }
  }
}
