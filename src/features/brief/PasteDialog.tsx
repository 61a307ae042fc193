'use client';

import { useState } from 'react';
import { addFrames, fittingFrames, framesOfLines, type ShotLine } from '@/document';
import { useEdit, useFile, useReading } from '@/session';
import { Button, Dialog, TextArea } from '@/ui';
import {
  briefFormText,
  counted,
  formatDistances,
  formatPercent,
  formatShutter,
  plainList,
  SCENE_NAMES,
  SUBJECT_NAMES,
  WANTS,
} from '@/text';
import { LeftOutList } from '@/parts';

const t = briefFormText.pasteDialog;

/** A shot list from a mail or a note, one picture a line, becomes frames to be completed. */
export function PasteDialog({
  open,
  onOpenChange,
  onAdded,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  onAdded: (firstId: string) => void;
}) {
  const file = useFile();
  const edit = useEdit();
  const [text, setText] = useState('');
  const { value, isReading, problem } = useReading('shotList', text);
  const lines = value ?? [];
  const { taken: added, left } = fittingFrames(file.frames, framesOfLines(lines, file.frames));
  const add = () => {
    if (!edit(addFrames(added))) return;
    setText('');
    onOpenChange(false);
    if (added[0]) onAdded(added[0].id);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={t.pasteAShotList}
      description={t.onePictureALineMust}
    >
      <TextArea label={t.shotList} rows={6} value={text} onChange={setText} />
      {problem && <p className="mt-2 text-wrong">{problem}</p>}
      <LeftOutList left={left} />
      {lines.length > 0 && (
        <ul className="mt-3 max-h-72 overflow-auto" tabIndex={0} aria-label={t.picturesUnderstood}>
          {lines.map((line, i) => (
            <li key={i} className="flex gap-3 border-b border-hair py-0.5">
              <span className="flex-1">
                {line.name} <span className="text-soft">{understood(line)}</span>
              </span>
              <span className="text-soft">
                {line.fromM !== null && line.toM !== null
                  ? formatDistances(line.fromM, line.toM)
                  : t.needsADistance}
              </span>
              <span className="w-12 text-right">{WANTS[line.want]}</span>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-3 text-right">
        <Button look="strong" disabled={isReading || added.length === 0} onClick={add}>
          {t.add(counted(added.length, 'picture'))}
        </Button>
      </p>
    </Dialog>
  );
}

/** What the words of a line say besides its name. */
function understood({ subject, scene, longestTimeS, sharePercent, blur }: ShotLine): string {
  return plainList([
    ...(subject ? [SUBJECT_NAMES[subject]] : []),
    ...(scene ? [SCENE_NAMES[scene]] : []),
    ...(longestTimeS === null ? [] : [formatShutter(longestTimeS)]),
    ...(sharePercent === null ? [] : [formatPercent(sharePercent)]),
    ...(blur ? [t.blurBehind] : []),
  ]);
}
