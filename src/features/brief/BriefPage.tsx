'use client';

import { Plus } from 'lucide-react';
import dynamic from 'next/dynamic';
import { memo, useState } from 'react';
import { newFrame, putFrame } from '@/document';
import { useEdit, useFilePart, useFormerLessons, useSelection } from '@/session';
import { Button, Choice } from '@/ui';
import { HelpLink } from '@/parts';
import { FrameList } from './FrameList';
import { QuickAdd } from './QuickAdd';
import { briefText, plainList } from '@/text';

const text = briefText.briefPage;

// Loaded after the list that is read first.
const FrameEditor = dynamic(() => import('./FrameEditor').then((m) => m.FrameEditor), {
  ssr: false,
  loading: () => <p className="border-t border-hair pt-3 text-soft">{text.opening}</p>,
});
const Sheet = dynamic(() => import('./Sheet').then((m) => m.Sheet), { ssr: false });
const OutingDialog = dynamic(() => import('./OutingDialog').then((m) => m.OutingDialog));
const PasteDialog = dynamic(() => import('./PasteDialog').then((m) => m.PasteDialog));
const Day = dynamic(() => import('./Day').then((m) => m.Day), { ssr: false });
const Stretches = memo(
  dynamic(() => import('./Stretches').then((m) => m.Stretches), { ssr: false }),
);

export function BriefPage() {
  const frames = useFilePart((file) => file.frames);
  const edit = useEdit();
  const [selected, select] = useSelection('frame');
  const [pasting, setPasting] = useState(false);
  const [editing, setEditing] = useState(false);
  const [as, setAs] = useSelection('as');
  const isSheet = as === 'sheet';
  const frame = frames.find((f) => f.id === selected) ?? null;
  const add = () => {
    const added = newFrame(frames, text.newPicture);
    edit(putFrame(added, frame?.id));
    select(added.id);
  };
  return (
    <div className="grid gap-x-8 gap-y-4 pt-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0">
        <section aria-labelledby="shots">
          <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
            <div>
              <span className="flex items-center">
                <h1 id="shots" className="text-xl">
                  {text.picturesWanted}
                </h1>
                <HelpLink topic="want" />
              </span>
              <OutingLine />
              <NoteLine />
              <LastTime />
            </div>
            <span className="flex flex-wrap items-end gap-2 print:hidden">
              {frames.length > 0 && (
                <span className="w-36">
                  <Choice
                    label={text.lookAt}
                    value={isSheet ? 'sheet' : 'list'}
                    options={[
                      ['list', text.list],
                      ['sheet', text.sheet],
                    ]}
                    onChange={(next) => setAs(next === 'sheet' ? 'sheet' : null)}
                  />
                </span>
              )}
              {frames.length > 0 && !isSheet && (
                <Button aria-pressed={editing} onClick={() => setEditing(!editing)}>
                  {editing ? text.done : text.editHere}
                </Button>
              )}
              <Button onClick={() => setPasting(true)}>{text.pasteAShotList}</Button>
              <Button look="strong" onClick={add}>
                <Plus size={14} aria-hidden />
                {text.addAPicture}
              </Button>
            </span>
            {pasting && <PasteDialog open onOpenChange={setPasting} onAdded={select} />}
          </div>
          {!isSheet && <QuickAdd onAdded={select} />}
          {frames.length === 0 ? (
            <p className="max-w-prose border-t border-hair pt-4">{text.noPicturesYetAddThe}</p>
          ) : (
            <Pictures as={isSheet ? 'sheet' : 'list'} {...{ selected, select, editing }} />
          )}
        </section>
        <div className="mt-8 print:hidden">
          <Stretches />
        </div>
      </div>
      <aside
        aria-label={text.chosenPicture}
        className="lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-auto print:hidden"
        tabIndex={0}
      >
        {frame ? (
          <FrameEditor key={frame.id} frame={frame} />
        ) : (
          frames.length > 0 && <Day onSelect={select} />
        )}
      </aside>
    </div>
  );
}

interface PicturesProps {
  readonly as: 'list' | 'sheet';
  readonly selected: string | null;
  readonly select: (id: string | null) => void;
  readonly editing: boolean;
}

function Pictures({ as, selected, select, editing }: PicturesProps) {
  return as === 'sheet' ? (
    <Sheet onSelect={select} />
  ) : (
    <FrameList selected={selected} onSelect={select} editing={editing} />
  );
}

/** What is to be kept in mind on this outing, cautions first of all. */
function NoteLine() {
  const note = useFilePart((file) => file.outing.note);
  return note === '' ? null : <p className="max-w-prose text-[13px]">{note}</p>;
}

/** What was noted the last time that an outing of this kind was made. */
function LastTime() {
  const former = useFormerLessons();
  return former === null ? null : (
    <p className="max-w-prose border-l-2 border-ink pl-3 whitespace-pre-line">
      <strong>{text.lastTime(former.outing)}</strong> {former.lessons}
    </p>
  );
}

function OutingLine() {
  const current = useFilePart((file) => file.outing);
  const [open, setOpen] = useState(false);
  const days = [current.firstDay, current.lastDay].filter((d) => d !== null);
  return (
    <p className="text-soft">
      {plainList([current.place, text.daysFromTo([...new Set(days)])].filter((t) => t !== '')) ||
        text.noLocationOrDateYet}
      <span className="print:hidden">{' · '}</span>
      <button type="button" className="underline print:hidden" onClick={() => setOpen(true)}>
        {text.editOuting}
      </button>
      {open && <OutingDialog onClose={() => setOpen(false)} />}
    </p>
  );
}
