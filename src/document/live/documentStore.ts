import { createStore } from 'zustand/vanilla';
import { ok } from '@/core/result';
import { comingGear, type Desk, fileOf, followingGround, join, planAfter, shared } from '../desk';
import { readableDesk, readableFile, type Unreadable } from '../desk/readable';
import type { DeskEdit } from '../desk/editing';
import type { Edit } from '../edits';
import type { OutingFile } from '../outingFile';
import type { FieldIssue } from '../problems';

export interface DocumentState {
  /** What the open outing is made from; null until it has been read. */
  readonly desk: Desk | null;
  /** The whole of it, with the gear that may come; null until it has been read. */
  readonly file: OutingFile | null;
  /** Earlier states, oldest first, to which undo leads. */
  readonly past: readonly WholeState[];
  /** Later states, nearest first, to which redo leads. */
  readonly future: readonly WholeState[];
}
/** What is open. */
interface WholeState {
  readonly desk: Desk;
  readonly file: OutingFile;
}

/** Told which fields an edit would have made unreadable, and of what. */
export type OnRefused = (issues: readonly FieldIssue[], would: object) => void;

/** Edits of one field that follow each other faster than this are undone together. */
const SAME_EDIT_MS = 900;
const HISTORY_LENGTH = 200;

/**
 * The open outing with its undo history. An edit that would leave what could not be read again is not
 * made, and told of.
 *
 * @param now the clock, ms
 */
export function createDocumentStore(now: () => number, refused: OnRefused = () => undefined) {
  let last = { field: '', at: -Infinity };
  const store = createStore<DocumentState>()(() => ({
    desk: null,
    file: null,
    past: [],
    future: [],
  }));
  const refuse = ({ issues }: Unreadable, would: object): boolean => {
    refused(issues, would);
    return false;
  };
  const put = (next: WholeState, field: string, withinMs: number): boolean => {
    const at = now();
    const joins = field !== '' && field === last.field && at - last.at < withinMs;
    last = { field, at };
    store.setState((state) => ({
      ...next,
      past: joins ? state.past : withNow(state).slice(-HISTORY_LENGTH),
      future: [],
    }));
    return true;
  };
  /** Goes to the nearest earlier or later state; where there is none, stays. */
  const goTo = (step: (state: DocumentState) => Partial<DocumentState> | null) => () => {
    last = { field: '', at: -Infinity };
    store.setState((state) => step(state) ?? state);
  };
  return {
    store,
    /** Opens another outing; there is no way back to the one before by undo. */
    open(desk: Desk) {
      last = { field: '', at: -Infinity };
      store.setState({ desk, file: fileOf(desk), past: [], future: [] });
    },
    /**
     * Applies an edit of the outing; quick edits of the same field make one step of undo.
     *
     * @param withinMs so soon after the one before, ms; what is dragged is one step however long it takes
     * @returns false where it is refused
     */
    edit(change: Edit, field = '', withinMs = SAME_EDIT_MS): boolean {
      const before = opened(store.getState());
      if (before === null) return false;
      const { desk, file } = before;
      const after = change(file);
      if (after === file) return true;
      if (after.shelf !== file.shelf)
        throw new Error('gear is edited on the desk, not in the file');
      const read = readableFile(file, after);
      if (!read.ok) return refuse(read.error, after);
      const next = followingGround(read.value);
      const plan = planAfter(desk, file, next);
      const parts = readableDesk(desk, { ...desk, plan });
      if (!parts.ok) return refuse(parts.error, plan);
      return put({ desk: parts.value, file: next }, field, withinMs);
    },
    /**
     * Applies an edit of gear, settings, or how the outing hangs together with them.
     *
     * @param wholeToo whether the whole file must be readable as well; a shelf that is restored must
     *   not be kept out by what the open outing has besides
     * @returns false where it is refused
     */
    editDesk(change: DeskEdit, field = '', wholeToo = true): boolean {
      const before = opened(store.getState());
      if (before === null) return false;
      const desk = change(before.desk);
      if (desk === before.desk) return true;
      const parts = readableDesk(before.desk, desk);
      if (!parts.ok) return refuse(parts.error, desk);
      const next = refreshed(before, parts.value);
      const read = wholeToo ? readableFile(before.file, next.file) : ok(next.file);
      return read.ok
        ? put({ desk: parts.value, file: read.value }, field, SAME_EDIT_MS)
        : refuse(read.error, next.file);
    },
    /**
     * Takes in what was changed elsewhere: it is no step of undo, and no step of undo takes it away,
     * since each earlier state gets it too.
     */
    adopt(desk: Desk) {
      const before = opened(store.getState());
      if (before === null) return;
      const rebased = (states: readonly WholeState[]) =>
        states.map((step) => refreshed(step, joinDesks(before.desk, step.desk, desk)));
      store.setState(({ past, future }) => ({
        ...refreshed(before, desk),
        past: rebased(past),
        future: rebased(future),
      }));
    },
    undo: goTo((state) => {
      const { past, future } = state;
      const to = past.at(-1);
      return to ? { ...to, past: past.slice(0, -1), future: [...nowOf(state), ...future] } : null;
    }),
    redo: goTo((state) => {
      const [to, ...future] = state.future;
      return to ? { ...to, past: withNow(state), future } : null;
    }),
  };
}
export type DocumentStore = ReturnType<typeof createDocumentStore>;

const withNow = (state: DocumentState) => [...state.past, ...nowOf(state)];

function nowOf(state: DocumentState): readonly WholeState[] {
  const whole = opened(state);
  return whole ? [whole] : [];
}

function opened({ desk, file }: DocumentState): WholeState | null {
  return desk === null || file === null ? null : { desk, file };
}

/** The whole file of a changed desk, made of the objects of the one before wherever nothing differs. */
function refreshed(before: WholeState, desk: Desk): WholeState {
  const [was, is] = [before.desk, desk];
  const sameGear =
    was.shelf.gear === is.shelf.gear &&
    was.plan.alone === is.plan.alone &&
    was.plan.arranged === is.plan.arranged &&
    was.plan.ties.only === is.plan.ties.only;
  const coming = sameGear ? before.file.shelf : shared(before.file.shelf, comingGear(desk));
  return { desk, file: shared(before.file, fileOf(desk, coming)) };
}

/** An earlier or later state of this tab with what was changed elsewhere; where both did, that stays. */
function joinDesks(base: Desk, mine: Desk, theirs: Desk): Desk {
  return {
    plan: join(base.plan, mine.plan, theirs.plan).value,
    shelf: join(base.shelf, mine.shelf, theirs.shelf).value,
    settings: join(base.settings, mine.settings, theirs.settings).value,
  };
}
