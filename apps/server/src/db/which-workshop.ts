import { AsyncLocalStorage } from 'node:async_hooks';

/** Whose rows are read and written, for what lies too deep to be handed it: every connection to the database. */
const asked = new AsyncLocalStorage<string>();

/** The workshop that is asked for now; undefined where nobody has said. */
export const workshopAsked = (): string | undefined => asked.getStore();

/** Does something within one workshop. A query is sent when it is waited for: that is done here too, not by whoever gets it. */
export const inWorkshop = <T>(id: string, work: () => PromiseLike<T>): Promise<T> =>
  asked.run(id, async () => await work());

/** Goes on, and with all that this leads to, within one workshop. */
export const goOnIn = (id: string, next: () => void): void => asked.run(id, next);
