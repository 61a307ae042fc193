'use client';

import { Plus } from 'lucide-react';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { PLAIN_STRETCH, type Stretch, stretchId } from '@/core/brief';
import { freshId, putStretch } from '@/document';
import { useEdit, useFilePart } from '@/session';
import { Button } from '@/ui';
import { briefText, counted, stretchText } from '@/text';
import { Timeline } from './Timeline';

const t = briefText.stretches;

// Loaded when they are first opened.
const ShootersDialog = dynamic(() => import('./ShootersDialog').then((m) => m.ShootersDialog));
const StretchDialog = dynamic(() => import('./StretchDialog').then((m) => m.StretchDialog));

/** The parts of the outing in time order: where, in what weather, what is in hand. */
export function Stretches() {
  const stretches = useFilePart((file) => file.stretches);
  const shooters = useFilePart((file) => file.outing.shooters);
  const edit = useEdit();
  const [opened, setOpened] = useState<string | null>(null);
  const [naming, setNaming] = useState(false);
  const current = stretches.find((s) => s.id === opened);
  const add = () => {
    const added = newStretch(stretches);
    edit(putStretch(added));
    setOpened(added.id);
  };
  return (
    <section aria-labelledby="stretches" className="mb-5">
      <div className="mb-1 flex items-end justify-between gap-3">
        <h2 id="stretches" className="text-lg">
          {t.stretches}
        </h2>
        <span className="flex gap-2">
          <Button onClick={() => setNaming(true)}>
            {counted(Math.max(1, shooters.length), 'shooter')}
          </Button>
          <Button onClick={add}>
            <Plus size={14} aria-hidden />
            {t.addAStretch}
          </Button>
        </span>
      </div>
      {stretches.length === 0 ? (
        <p className="max-w-prose border-t border-hair pt-2 text-soft">
          {t.oneStretchWithEverythingAt}
        </p>
      ) : (
        <>
          <Timeline onOpen={setOpened} about={stretchText} />
          <ol className="flex flex-wrap border-t border-hair empty:hidden">
            {stretches
              .filter((s) => s.fromTime === null || s.toTime === null)
              .map((s) => (
                <li key={s.id} className="border-r border-b border-hair">
                  <button
                    type="button"
                    className="min-h-7 pointer-coarse:min-h-[44px] px-3 py-1 text-left hover:bg-chosen"
                    onClick={() => setOpened(s.id)}
                  >
                    <span className="block font-semibold">{s.name}</span>
                    <span className="block text-[12px] text-soft">{stretchText(s)}</span>
                  </button>
                </li>
              ))}
          </ol>
          {stretches.some((s) => s.fromTime !== null && s.toTime !== null) && (
            <p className="text-[12px] text-soft">{t.dragABarToMove}</p>
          )}
        </>
      )}
      {naming && <ShootersDialog onClose={() => setNaming(false)} />}
      {current && <StretchDialog stretch={current} onClose={() => setOpened(null)} />}
    </section>
  );
}

function newStretch(stretches: readonly Stretch[]): Stretch {
  const taken = new Set<string>(stretches.map((s) => s.id));
  return {
    id: stretchId.parse(freshId('stretch', taken)),
    name: t.newStretch,
    ...PLAIN_STRETCH,
  };
}
