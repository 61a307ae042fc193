import { createSession, type Session } from './session';

/** A session with the way to start it, which gives the way to end it. */
export interface Opening {
  readonly session: Session;
  readonly start: () => () => void;
}

/** The session of this page, for what must be saved when the page itself has failed. */
let current: Session | null = null;
export const currentSession = (): Session | null => current;

/** One that was started before the page asked for it. */
let early: Opening | null = null;

/**
 * Starts a session for the page that is coming up: while React takes the page over, the outing is
 * read, and the worker, on a thread of its own, is made ready and asked.
 */
export function startEarly(): void {
  const session = createSession();
  current = session;
  let going: (() => void) | null = session.start();
  early = {
    session,
    start: () => {
      const end = going ?? session.start();
      going = null;
      return end;
    },
  };
}

/** The session that was started early, or a new one. */
export function openSession(): Opening {
  const opening = early;
  early = null;
  if (opening) return opening;
  const session = createSession();
  current = session;
  return { session, start: () => session.start() };
}
