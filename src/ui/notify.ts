import { createStore } from 'zustand';

/** Something said in a corner of the screen for a while. */
export interface Notice {
  readonly text: string;
  readonly description?: string;
  /** Stays until it is dealt with. */
  readonly stays?: boolean;
  /** Stays until this is settled, however it is. */
  readonly until?: Promise<unknown>;
  readonly action?: { readonly label: string; readonly onClick: () => void };
}

/** What is still to be said, and whether anything ever was: until then nothing is loaded for it. */
export const notices = createStore<{ readonly any: boolean; readonly waiting: readonly Notice[] }>(
  () => ({ any: false, waiting: [] }),
);

export function notify(text: string, more: Omit<Notice, 'text'> = {}): void {
  notices.setState(({ waiting }) => ({ any: true, waiting: [...waiting, { text, ...more }] }));
}
