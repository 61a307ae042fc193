'use client';

import { setOuting } from '@/document';
import { useEdit, useFilePart } from '@/session';
import { TextArea } from '@/ui';
import { logText } from '@/text';

const t = logText.lessons;

/** One's own notes on the outing that is open. */
export function Notes() {
  const outing = useFilePart((file) => file.outing);
  const edit = useEdit();
  return (
    <section aria-labelledby="notes" className="space-y-2">
      <h2 id="notes" className="text-lg">
        {t.notes}
      </h2>
      <TextArea
        label={t.notesOn(outing.name)}
        value={outing.lessons}
        onChange={(lessons) => edit(setOuting({ ...outing, lessons }), 'outing.lessons')}
      />
      <p className="max-w-prose text-[12px] text-soft">{t.notesHint}</p>
    </section>
  );
}
