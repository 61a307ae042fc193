import { NoAnswerError } from './ending';
import { openStores } from './keyValue';
import { namedIn, type Place, placeOfTab } from './place';
import type { Host, RecordKey } from './stored';

const CHANNEL = 'arm-reach';

/** What the browser gives to keep documents with. */
export interface BrowserHost extends Host {
  /** Tells what other tabs have changed; returns the way to stop. */
  readonly listen: (changed: (key: RecordKey | 'photographs') => void) => () => void;
}

/** @param place where its documents lie; no other place sees them */
export function createHost(place: Place = placeOfTab()): BrowserHost {
  const stores = openStores(place);
  const channel =
    typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(namedIn(place, CHANNEL));
  const locks = namedIn(place, CHANNEL);
  return {
    stores,
    lock:
      typeof navigator !== 'undefined' && 'locks' in navigator
        ? (name, work) => lockBetweenTabs(`${locks}:${name}`, work)
        : lockHere(),
    announce: (key) => channel?.postMessage(key),
    listen: (changed) => {
      const heard = ({ data }: MessageEvent<RecordKey | 'photographs'>) => changed(data);
      channel?.addEventListener('message', heard);
      return () => channel?.removeEventListener('message', heard);
    },
    now: () => Date.now(),
    newId,
  };
}

/** Longest that another tab's work is waited for, ms: more than any of it takes. */
const LOCKED_WITHIN_MS = 90_000;

/** @throws {NoAnswerError} when the other tab doesn't come to an end */
async function lockBetweenTabs<T>(name: string, work: () => Promise<T>): Promise<T> {
  const waiting = new AbortController();
  const timer = setTimeout(
    () => waiting.abort(new NoAnswerError(`${LOCKED_WITHIN_MS} ms`)),
    LOCKED_WITHIN_MS,
  );
  const { signal } = waiting;
  const held = navigator.locks.request(name, { signal }, () => {
    clearTimeout(timer);
    return work();
  });
  return (await held) as T;
}

/** Where a page is not trusted with locks, its own writes still wait for each other. */
export function lockHere(): Host['lock'] {
  const queues = new Map<string, Promise<unknown>>();
  return (name, work) => {
    const before = queues.get(name) ?? Promise.resolve();
    const done = before.then(work, work);
    queues.set(
      name,
      done.catch(() => undefined),
    );
    return done;
  };
}

/** 96 random bits; `crypto.randomUUID` is not there on pages that are not trusted. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');
}
