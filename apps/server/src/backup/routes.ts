import { Backups } from '@early-lantern/contract';
import { ProblemError } from '../http/problem.ts';
import { gives, type RouteOptions, type Server } from '../http/types.ts';

/** The backups that there are, and one more. */
export async function backupRoutes(server: Server, { backups }: RouteOptions): Promise<void> {
  const tags = ['backups'];
  server.get(
    '/backups',
    { config: { right: 'run the workshop' }, schema: { tags, response: gives(Backups) } },
    () => backups.state(),
  );
  server.post(
    '/backups',
    {
      config: { right: 'run the workshop' },
      schema: { tags, summary: 'Backs everything up now', response: gives(Backups) },
    },
    async () => {
      const state = await backups.backUp();
      if (state.failure) throw new ProblemError('backup-failed', state.failure);
      return state;
    },
  );
}
