'use client';

import { createContext, type ReactNode, use, useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { Edit, OutingFile } from '@/document';
import type { Answer } from '@/workers/lineupClient';
import { openSession } from './earlySession';
import type { Session, SessionState } from './session';

const Context = createContext<Session | null>(null);

export function SessionProvider({ children }: { children: ReactNode }) {
  const [{ session, start }] = useState(openSession);
  useEffect(() => start(), [start]);
  return <Context value={session}>{children}</Context>;
}

export function useSession(): Session {
  const session = use(Context);
  if (session === null) throw new Error('useSession must be used inside SessionProvider');
  return session;
}

export function useSessionState<T>(select: (state: SessionState) => T): T {
  return useStore(useSession().state, select);
}

/** The open outing; only for parts shown once one is open. */
export function useFile(): OutingFile {
  return useFilePart((file) => file);
}

/**
 * A part of the open outing: what is shown of it waits for no other part's changes.
 *
 * @param select gives something that the file holds, never something made anew
 */
export function useFilePart<T>(select: (file: OutingFile) => T): T {
  return useStore(useSession().document.store, ({ file }) => {
    if (file === null) throw new Error('no outing is open yet');
    return select(file);
  });
}

/** The open outing at the time it is asked for, for what happens later. */
export function useFileNow(): () => OutingFile {
  const { store } = useSession().document;
  return () => {
    const { file } = store.getState();
    if (file === null) throw new Error('no outing is open yet');
    return file;
  };
}

export function useAnswer(): Answer {
  return useStore(useSession().answer);
}

/** Applies an edit; edits of the same field in quick succession are undone together. */
export function useEdit(): (edit: Edit, field?: string) => void {
  return useSession().document.edit;
}

export function useHistory() {
  const { document } = useSession();
  const canUndo = useStore(document.store.temporal, (t) => t.pastStates.length > 0);
  const canRedo = useStore(document.store.temporal, (t) => t.futureStates.length > 0);
  return { canUndo, canRedo, undo: document.undo, redo: document.redo };
}
