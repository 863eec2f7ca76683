import type { Changed } from '@early-lantern/contract';
import type { QueryKey } from '@tanstack/react-query';
import { keys, queryClient } from './queries.ts';

/** Changes that come together are looked at together, ms. */
const GATHER_MS = 200;
const CHANNEL = 'early-lantern-changes';

const listeners = new Set<(change: Changed) => void>();

/** Told of every change on the server, whoever made it. @returns ends it */
export function onChanged(listener: (change: Changed) => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/**
 * Follows the server's changes. A browser opens few connections to one server, so that of several tabs one holds the stream
 * and passes on what it hears; where a browser cannot agree on one, each has its own.
 */
export function followChanges(): void {
  onChanged(renew);
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<Changed>) => tell(data);
  const listen = (wasOpen: boolean) =>
    openStream(wasOpen, (change) => {
      channel.postMessage(change);
      tell(change);
    });
  // Held until the tab goes.
  const hold = (wasOpen: boolean) => {
    listen(wasOpen);
    return new Promise<never>(() => {});
  };
  if (!navigator.locks) listen(false);
  else
    void navigator.locks
      .request(CHANNEL, { ifAvailable: true }, (lock) => lock && hold(false))
      // Another tab has it. When that one goes the next has its turn.
      .then(() => navigator.locks.request(CHANNEL, () => hold(true)));
}

function tell(change: Changed): void {
  for (const listener of listeners) listener(change);
}

/**
 * The stream; the browser opens it again where it breaks, and what was missed meanwhile may be anything.
 * @param wasOpen there was one before, in another tab
 */
function openStream(wasOpen: boolean, heard: (change: Changed) => void): void {
  const stream = new EventSource('/api/v1/events');
  let isAgain = wasOpen;
  stream.addEventListener('open', () => {
    if (isAgain) heard({ what: 'anything', id: '' });
    isAgain = true;
  });
  stream.addEventListener('changed', ({ data }: MessageEvent<string>) => {
    // The server's own words, which it has checked: the schemas would be read with the first page for this alone.
    heard(JSON.parse(data) as Changed);
  });
}

let waiting: Changed[] = [];

/** Has what a change touches read again, soon. */
function renew(change: Changed): void {
  waiting.push(change);
  // The first of them waits for those that come with it.
  if (waiting.length > 1) return;
  setTimeout(() => {
    const changes = waiting;
    waiting = [];
    void queryClient.invalidateQueries({
      predicate: ({ queryKey }) => changes.some((one) => touches(one, queryKey)),
    });
  }, GATHER_MS);
}

const begins = (key: QueryKey, prefix: QueryKey) => prefix.every((part, i) => key[i] === part);

/** Whether what was read under a key may be another one after a change. */
export function touches({ what, id }: Changed, key: QueryKey): boolean {
  switch (what) {
    case 'anything':
      // A job that is open follows by itself, with what is not saved yet.
      return key[0] !== 'job';
    case 'workshop':
    case 'crew':
      return key[0] === what || key[0] === 'jobs' || key[0] === 'on-site';
    case 'site':
      return begins(key, keys.sites) || key[0] === 'jobs' || key[0] === 'on-site';
    case 'stock':
      return key[0] === 'movements' || begins(key, keys.lacks);
    case 'lamps':
      return key[0] === 'jobs' && key[1] === 'lamps';
    case 'needs':
      return key[0] === 'jobs' && ['lamps', 'left', 'lacks'].includes(key[1] as string);
    case 'access':
      return key[0] === 'me' || key[0] === 'accounts' || key[0] === 'phones';
    case 'template':
      return key[0] === 'templates';
    case 'link':
      return begins(key, keys.links(id));
    case 'packing':
      return begins(key, keys.packing(id));
    case 'photo':
      return begins(key, keys.photos(id));
    case 'site-log':
      // Each phone follows it by itself, with what it has not sent yet.
      return false;
    default:
      // What others leave to a job does not change with the job itself.
      return (key[0] === 'jobs' && key[1] !== id) || begins(key, keys.onSite(id));
  }
}
