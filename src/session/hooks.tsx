'use client';

import { createContext, type ReactNode, use, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import type { Shelf } from '@/core/gear';
import {
  type Desk,
  type DeskEdit,
  type Edit,
  editGear,
  type GearEdit,
  knownGear,
  type OutingFile,
} from '@/document';
import type { Answer } from '@/workers/lineupClient';
import { openSession } from './earlySession';
import type { Session, SessionState } from './session';
import { sessionText } from '@/text';

const text = sessionText.hooks;

const Context = createContext<Session | null>(null);

export function SessionProvider({ children }: { children: ReactNode }) {
  const [{ session, start }] = useState(openSession);
  useEffect(() => start(), [start]);
  return <Context value={session}>{children}</Context>;
}

export function useSession(): Session {
  const session = use(Context);
  if (session === null) throw new Error(text.usesessionMustBeUsedInside);
  return session;
}

export function useSessionState<T>(select: (state: SessionState) => T): T {
  return useStore(useSession().state, select);
}

const Draft = createContext<OutingFile | null>(null);

/** Shows parts by an outing that is not the open one yet: while something is dragged. */
export function ShownFile({ file, children }: { file: OutingFile; children: ReactNode }) {
  return <Draft value={file}>{children}</Draft>;
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
  const draft = use(Draft);
  const kept = useStore(useSession().document.store, ({ file }) => {
    if (file === null) throw new Error(text.noOutingIsOpenYet);
    return select(file);
  });
  return draft ? select(draft) : kept;
}

/** The open outing at the time it is asked for, for what happens later. */
export function useFileNow(): () => OutingFile {
  const { store } = useSession().document;
  return () => {
    const { file } = store.getState();
    if (file === null) throw new Error(text.noOutingIsOpenYet);
    return file;
  };
}

export function useAnswer(): Answer {
  return useStore(useSession().answer);
}

/**
 * Applies an edit; edits of the same field that follow each other within some time, ms, are undone
 * together. It gives false where the edit is refused, which the person is told of.
 */
export function useEdit(): (edit: Edit, field?: string, withinMs?: number) => boolean {
  return useSession().document.edit;
}

/** Applies an edit of gear: of the shelf, or of what is of this outing alone. */
export function useEditGear(): (edit: GearEdit, field?: string) => boolean {
  const { document } = useSession();
  return (edit, field) => document.editDesk(editGear(edit), field);
}

/** Applies an edit of settings, or of how the outing hangs together with shelf and settings. */
export function useEditDesk(): (edit: DeskEdit, field?: string) => boolean {
  return useSession().document.editDesk;
}

/** What the open outing is made from. */
export function useDesk(): Desk {
  return useStore(useSession().document.store, ({ desk }) => {
    if (desk === null) throw new Error(text.noOutingIsOpenYet);
    return desk;
  });
}

/** What the open outing is made from at the time it is asked for. */
export function useDeskNow(): () => Desk {
  const { store } = useSession().document;
  return () => {
    const { desk } = store.getState();
    if (desk === null) throw new Error(text.noOutingIsOpenYet);
    return desk;
  };
}

/** All gear that is known: the shelf, and what is of this outing alone. */
export function useKnownGear(): Shelf {
  const { plan, shelf } = useDesk();
  return useMemo(() => knownGear({ plan, shelf }), [plan, shelf]);
}

export function useHistory() {
  const { document } = useSession();
  const canUndo = useStore(document.store, (s) => s.past.length > 0);
  const canRedo = useStore(document.store, (s) => s.future.length > 0);
  return { canUndo, canRedo, undo: document.undo, redo: document.redo };
}
