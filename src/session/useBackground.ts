import { useEffect, useRef, useState } from 'react';
import type { BackgroundReport } from '@/workers/backgroundClient';

/** Begins work that a view waits for when the view is first seen, and again for each other thing asked. */
export function useBegun(begin: () => void, asked: unknown): void {
  const latest = useRef(begin);
  useEffect(() => {
    latest.current = begin;
  });
  useEffect(() => latest.current(), [asked]);
}

export type Background<T> =
  | { readonly kind: 'idle' }
  | { readonly kind: 'looking'; readonly done: number }
  | { readonly kind: 'found'; readonly found: T }
  | { readonly kind: 'failed'; readonly message: string };

interface Held<T> {
  readonly state: Background<T>;
  readonly question: unknown;
}
const NOTHING: Held<never> = { state: { kind: 'idle' }, question: null };

/** Work beside the answer in sight: started when asked, ended when the question changes. */
export function useBackground<T>(question: object | null) {
  const [latest, setLatest] = useState<Held<T>>(NOTHING);
  const end = useRef<() => void>(() => undefined);
  useEffect(
    () => () => {
      end.current();
      // Undoing may bring the same question back, and nothing is looking for it any more.
      setLatest((before) => (before.state.kind === 'looking' ? NOTHING : before));
    },
    [question],
  );
  const setState = (state: Background<T>) => setLatest({ state, question });
  // What was found for another question never shows beside this one.
  const state: Background<T> = latest.question === question ? latest.state : { kind: 'idle' };
  return {
    state,
    start(work: (report: BackgroundReport<T>) => () => void) {
      end.current();
      setState({ kind: 'looking', done: 0 });
      end.current = work({
        // It comes by another port than what is found, and may come after it.
        progress: (done) =>
          setLatest((before) =>
            before.state.kind === 'looking' && before.question === question
              ? { state: { kind: 'looking', done }, question }
              : before,
          ),
        done: (found) => setState({ kind: 'found', found }),
        failed: (message) => setState({ kind: 'failed', message }),
      });
    },
    stop() {
      end.current();
      setState({ kind: 'idle' });
    },
  };
}
