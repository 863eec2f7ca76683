import { AsyncLocalStorage } from 'node:async_hooks';
import type { Account } from '@early-lantern/contract';

/** Whoever asks for something. */
export interface Principal {
  account: Account;
  /** Of the session that it came with; null where nobody has to sign in. */
  sessionHash: string | null;
  /** The shared phone that it came from. */
  phoneId: string | null;
}

/** Who asks, for what lies too deep to be handed it: the triggers that note who changed a row. */
export const whoAsks = new AsyncLocalStorage<Principal>();
