import { FIRST_WORKSHOP } from '@early-lantern/contract';
import { inWorkshop } from '../db/which-workshop.ts';
import { inviteFirstOwner, somebodyHasPassword } from '../people/accounts.ts';
import { addNewWorkshop } from '../setup/new-workshop.ts';
import { listWorkshops } from '../workshop/several.ts';
import { CannotStart } from './cannot-start.ts';
import { onRunning, sayLink } from './running.ts';

const LONGEST_NAME = 80;

/** `./lantern workshop list`, or `add NAME`: workshops that share this installation and see nothing of each other. */
export function workshops([what, name, ...more]: readonly string[]): Promise<void> {
  if (what === 'list' && name === undefined) return list();
  if (what === 'add' && name?.trim() && name.length <= LONGEST_NAME && more.length === 0)
    return add(name.trim());
  throw new CannotStart('./lantern workshop list, or ./lantern workshop add "Its name"');
}

const list = () =>
  onRunning(async ({ installation }) => {
    for (const { id, name } of await listWorkshops(installation)) console.log(`${id}  ${name}`);
  });

const add = (name: string) =>
  onRunning(async ({ db, installation }) => {
    // Whoever sits at this computer owns what has no password: the others must not be there before that has one.
    if (!(await inWorkshop(FIRST_WORKSHOP, () => somebodyHasPassword(db))))
      throw new CannotStart(
        'The workshop that is here has no password yet. Set one first: Workshop, Access. Then add another.',
      );
    const taken = new Set((await listWorkshops(installation)).map(({ id }) => id));
    const id = freeId(name, taken);
    await inWorkshop(id, async () => {
      await addNewWorkshop(db, name);
      const { token } = await inviteFirstOwner(db, 'Owner');
      console.log(`Created ${name}. Its people sign in with the workshop name "${id}".`);
      await sayLink('Link for its owner to set a password', token);
    });
  });

/** A short name made from the long one: what is left of it in plain letters, with a number where somebody has it. */
function freeId(name: string, taken: ReadonlySet<string>): string {
  const plain = name.normalize('NFD').toLowerCase().replaceAll(/\p{M}/gu, '');
  const id =
    plain
      .replaceAll(/[^a-z0-9]+/g, '-')
      .replaceAll(/^-|-$/g, '')
      .slice(0, 40) || 'workshop';
  for (let number = 1; ; number++) {
    const one = number === 1 ? id : `${id}-${number}`;
    if (!taken.has(one)) return one;
  }
}
