'use client';

import { Plus } from 'lucide-react';
import { useState } from 'react';
import { outing } from '@/core/brief';
import { putFrame, setOuting } from '@/document';
import { useEdit, useFile, useSelection } from '@/session';
import { Button, Dialog, EntityForm, FormText, FormTextArea } from '@/ui';
import { FrameEditor } from './FrameEditor';
import { FrameList } from './FrameList';
import { newFrame } from './newFrame';
import { PasteDialog } from './PasteDialog';
import { Stretches } from './Stretches';

export function BriefPlace() {
  const file = useFile();
  const edit = useEdit();
  const [selected, select] = useSelection('frame');
  const [pasting, setPasting] = useState(false);
  const frame = file.frames.find((f) => f.id === selected) ?? null;
  const add = () => {
    const added = newFrame(file.frames);
    edit(putFrame(added, frame?.id));
    select(added.id);
  };
  return (
    <div className="grid gap-x-8 gap-y-4 pt-4 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="min-w-0">
        <section aria-labelledby="shots">
          <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
            <div>
              <h1 id="shots" className="text-xl">
                Pictures wanted
              </h1>
              <OutingLine />
              <NoteLine />
            </div>
            <span className="flex gap-2">
              <Button onClick={() => setPasting(true)}>Paste a shot list</Button>
              <Button look="strong" onClick={add}>
                <Plus size={14} aria-hidden /> Add a picture
              </Button>
            </span>
            <PasteDialog open={pasting} onOpenChange={setPasting} onAdded={select} />
          </div>
          {file.frames.length === 0 ? (
            <p className="max-w-prose border-t border-hair pt-4">
              No picture is listed yet. Add the pictures you want from this outing: what must fit,
              from how far, in what light. The lenses follow from them.
            </p>
          ) : (
            <FrameList selected={selected} onSelect={select} />
          )}
        </section>
        <div className="mt-8">
          <Stretches />
        </div>
      </div>
      <aside
        aria-label="Chosen picture"
        className="lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-auto"
        tabIndex={0}
      >
        {frame ? (
          <FrameEditor key={frame.id} frame={frame} />
        ) : (
          <p className="border-t border-hair pt-3 text-soft">
            Choose a picture in the list to see and change what it asks for.
          </p>
        )}
      </aside>
    </div>
  );
}

/** What is to be kept in mind on this outing, cautions first of all. */
function NoteLine() {
  const { note } = useFile().outing;
  return note === '' ? null : <p className="max-w-prose text-[13px]">{note}</p>;
}

function OutingLine() {
  const { outing: current } = useFile();
  const edit = useEdit();
  const [open, setOpen] = useState(false);
  const days = [current.firstDay, current.lastDay].filter((d) => d !== null);
  return (
    <p className="text-soft">
      {[current.place, [...new Set(days)].join(' to ')].filter((t) => t !== '').join(', ') ||
        'No place or day given yet'}
      {' · '}
      <button type="button" className="underline" onClick={() => setOpen(true)}>
        Edit outing
      </button>
      <Dialog
        open={open}
        onOpenChange={setOpen}
        title="Outing"
        description="Changes count at once and can be undone."
      >
        <EntityForm
          label="Outing"
          schema={outing}
          value={current}
          onValid={(next, field) => edit(setOuting(next), `outing.${field}`)}
        >
          <div className="grid grid-cols-2 gap-3">
            <div className="col-span-2">
              <FormText name="name" label="Name" />
            </div>
            <div className="col-span-2">
              <FormText name="place" label="Place" />
            </div>
            <FormText name="firstDay" label="First day" type="date" />
            <FormText name="lastDay" label="Last day" type="date" />
            <FormText
              name="currency"
              label="Currency of prices"
              hint="three letters, such as EUR"
            />
            <div className="col-span-2">
              <FormTextArea name="note" label="Note" />
            </div>
          </div>
        </EntityForm>
      </Dialog>
    </p>
  );
}
