import { readFileSync } from 'node:fs';
import {
  decode,
  type Desk,
  type DeskEdit,
  fileOf,
  type GearEdit,
  type OutingFile,
  withoutDangling,
} from '@/document';
import type { LineupResult } from '@/core/lineup';
import { useBackground, useBegun } from '@/session/useBackground';
import { deskOf } from './desk';
import type { AnswerProblem } from '@/workers/lineupClient';

/** An outing that stays as it is, for parts that show one; the demo may change. */
export function demoFile(): OutingFile {
  const read = decode(readFileSync('tests/fixtures/released/outing-1.json', 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
}

/** Mutable stand-in for the session's hooks; tests put a file and an answer into it. */
export const held: {
  file: OutingFile;
  result: LineupResult | null;
  thinking: boolean;
  error: AnswerProblem | null;
  edits: string[];
  /** What the file is made from, where a test is about that. */
  desk: Desk | null;
} = {
  file: demoFile(),
  result: null,
  thinking: false,
  error: null,
  edits: [],
  desk: null,
};

export const sessionStandIn = {
  useOnceAnswered: () => true,
  useBackground,
  useBegun,
  useFile: () => held.file,
  useFilePart: <T,>(select: (file: OutingFile) => T) => select(held.file),
  useFileNow: () => () => held.file,
  useFrameResults: () => held.result?.frames,
  useAnswer: () => ({
    result: held.result,
    question: held.file,
    thinking: held.thinking,
    error: held.error,
  }),
  useEdit:
    () =>
    (edit: (file: OutingFile) => OutingFile, field = '') => {
      held.file = edit(held.file);
      held.edits.push(field);
      return true;
    },
  useEditGear:
    () =>
    (edit: GearEdit, field = '') => {
      const shelf = edit(held.file.shelf);
      held.file = withoutDangling({ ...held.file, shelf }, shelf);
      held.edits.push(field);
      return true;
    },
  useEditDesk:
    () =>
    (edit: DeskEdit, field = '') => {
      held.desk = edit(held.desk ?? deskOf(held.file));
      held.file = fileOf(held.desk);
      held.edits.push(field);
      return true;
    },
  useDesk: () => held.desk ?? deskOf(held.file),
  useDeskNow: () => () => held.desk ?? deskOf(held.file),
  useKnownGear: () => held.file.shelf,
  useHistory: () => ({
    undo: () => undefined,
    redo: () => undefined,
    canUndo: false,
    canRedo: false,
  }),
  useSelection: () => [null, () => undefined] as const,
};
