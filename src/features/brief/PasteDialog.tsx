'use client';

import { useState } from 'react';
import { addFrames, fittingFrames, framesOfLines } from '@/document';
import { useEdit, useFile, useReading } from '@/session';
import { Button, Dialog, TextArea } from '@/ui';
import { formatCount, formatDistances, WANTS } from '@/text';
import { LeftOutList } from '@/parts';

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
      title="Paste a shot list"
      description="One picture a line. “must”, “bonus” and distances such as 4–8 m are understood; the rest you complete afterwards."
    >
      <TextArea label="Shot list" rows={6} value={text} onChange={setText} />
      {problem && <p className="mt-2 text-wrong">{problem}</p>}
      <LeftOutList left={left} />
      {lines.length > 0 && (
        <ul className="mt-3 max-h-72 overflow-auto" tabIndex={0} aria-label="Pictures understood">
          {lines.map((line, i) => (
            <li key={i} className="flex gap-3 border-b border-hair py-0.5">
              <span className="flex-1">{line.name}</span>
              <span className="text-soft">
                {line.fromM !== null && line.toM !== null
                  ? formatDistances(line.fromM, line.toM)
                  : 'distance to be given'}
              </span>
              <span className="w-12 text-right">{WANTS[line.want]}</span>
            </li>
          ))}
        </ul>
      )}
      <p className="mt-3 text-right">
        <Button look="strong" disabled={isReading || added.length === 0} onClick={add}>
          Add {formatCount(added.length, 'picture', 'pictures')}
        </Button>
      </p>
    </Dialog>
  );
}
