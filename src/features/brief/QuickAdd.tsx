'use client';

import { Plus } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { type SubjectKey, SUBJECTS } from '@/core/brief';
import { everydayFrame, putFrame } from '@/document';
import { useEdit, useFileNow } from '@/session';
import { Button, SelectField, TextField } from '@/ui';
import { briefText, SUBJECT_NAMES } from '@/text';

const t = briefText.quickAdd;

/** A picture of an everyday kind in two fields: what, and how far; all else by its kind. */
export function QuickAdd({ onAdded }: { onAdded: (id: string) => void }) {
  const edit = useEdit();
  const fileNow = useFileNow();
  const [key, setKey] = useState<SubjectKey>('standingPerson');
  const [distance, setDistance] = useState('');
  const [isRefused, setIsRefused] = useState(false);
  const add = (event: FormEvent) => {
    event.preventDefault();
    const { frames } = fileNow();
    const name = SUBJECT_NAMES[key];
    const added = everydayFrame(frames, name[0]!.toUpperCase() + name.slice(1), key, distance);
    setIsRefused(added === null);
    if (added === null || !edit(putFrame(added))) return;
    setDistance('');
    onAdded(added.id);
  };
  return (
    <form
      aria-label={t.title}
      className="mb-3 flex flex-wrap items-end gap-2 print:hidden"
      onSubmit={add}
      noValidate
    >
      <span className="w-56">
        <SelectField
          label={t.what}
          value={key}
          options={SUBJECTS.map((s) => [s.key, SUBJECT_NAMES[s.key]] as const)}
          onChange={setKey}
        />
      </span>
      <span className="w-28">
        <TextField
          label={t.howFar}
          placeholder={t.example}
          value={distance}
          onChange={setDistance}
        />
      </span>
      <Button type="submit">
        <Plus size={14} aria-hidden />
        {t.add}
      </Button>
      {isRefused && (
        <span role="alert" className="text-[13px] text-wrong">
          {t.noDistance}
        </span>
      )}
    </form>
  );
}
