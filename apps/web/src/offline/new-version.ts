import { useSyncExternalStore } from 'react';
import { Workbox } from 'workbox-window';

let waiting: Workbox | undefined;
const listeners = new Set<() => void>();

/**
 * Keeps the page and the crew's screens on this device, where the browser can: over TLS, or on this machine. Elsewhere an open page goes
 * on without a signal, but cannot be opened again.
 */
export function keepOnDevice(): void {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  const workbox = new Workbox('/service-worker.js');
  workbox.addEventListener('waiting', () => {
    waiting = workbox;
    for (const listener of listeners) listener();
  });
  // Without room, or in a private window: then as without.
  workbox.register().catch(() => undefined);
}

const subscribe = (listener: () => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** Whether a newer version of the app is here and waits. */
export const useNewVersion = (): boolean => useSyncExternalStore(subscribe, () => waiting !== undefined);

/** Goes over to the newer version: what was written down is kept apart from the page. */
export function takeNewVersion(): void {
  waiting?.addEventListener('controlling', () => window.location.reload());
  waiting?.messageSkipWaiting();
}
