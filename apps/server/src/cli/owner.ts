import { FIRST_WORKSHOP } from '@early-lantern/contract';
import { inWorkshop } from '../db/which-workshop.ts';
import { invite, owners } from '../people/accounts.ts';
import { findSettings } from '../workshop/store.ts';
import { CannotStart } from './cannot-start.ts';
import { onRunning, sayLink } from './running.ts';

/** Whoever holds the machine is never locked out: prints a link by which the owner of a workshop sets a new password. */
export const linkForOwner = (workshop = FIRST_WORKSHOP): Promise<void> =>
  onRunning(({ db }) =>
    inWorkshop(workshop, async () => {
      if (!(await findSettings(db)))
        throw new CannotStart(`There is no workshop "${workshop}". ./lantern workshop list names them.`);
      const [owner] = await owners(db);
      if (!owner) {
        console.log('Nobody has a password yet: open Early Lantern on this computer, then Workshop, Access.');
        return;
      }
      const { token } = await invite(db, owner.id);
      await sayLink(`A new password for ${owner.name}`, token);
    }),
  );
