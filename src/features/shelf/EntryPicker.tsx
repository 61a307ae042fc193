'use client';

import { useDeferredValue, useState } from 'react';
import { shelfText } from '@/text';
import { Button } from '@/ui';

const t = shelfText.lensfunImport;

export type Entry = readonly [key: string, name: string, note: string];

/** A searchable list of things to tick, with all of those shown ticked at once. */
export function EntryPicker({
  of,
  entries,
  chosen,
  onChange,
}: {
  of: 'mounts' | 'cameras' | 'lenses';
  entries: readonly Entry[];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
}) {
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text).toLowerCase();
  const shown = entries.filter(([, name, note]) =>
    `${name} ${note}`.toLowerCase().includes(wanted),
  );
  const count = entries.filter(([key]) => chosen.has(key)).length;
  return (
    <fieldset className="min-w-0" aria-label={t[of]}>
      <legend className="flex w-full justify-between">
        <span>{t[of]}</span>
        <span className="text-soft">{t.of(count, entries.length)}</span>
      </legend>
      <div className="flex gap-1">
        <input
          type="search"
          aria-label={t.searchIn[of]}
          placeholder={t.search}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="min-h-7 pointer-coarse:min-h-[44px] min-w-0 flex-1 border border-edge bg-sheet px-1.5"
        />
        <Button
          disabled={shown.length === 0}
          onClick={() => {
            const all = shown.every(([key]) => chosen.has(key));
            const next = new Set(chosen);
            for (const [key] of shown) {
              if (all) next.delete(key);
              else next.add(key);
            }
            onChange(next);
          }}
        >
          {shown.length > 0 && shown.every(([key]) => chosen.has(key)) ? t.none : t.all}
        </Button>
      </div>
      <div
        className="mt-1 h-56 overflow-auto border border-hair p-1"
        tabIndex={0}
        role="group"
        aria-label={t.choices[of]}
      >
        {shown.length === 0 && (
          <p className="text-soft">{of === 'mounts' ? t.nothingFound : t.chooseAMountFirst}</p>
        )}
        {shown.map(([key, name, note]) => (
          <label key={key} className="flex gap-2 py-0.5 [content-visibility:auto]">
            <input
              type="checkbox"
              checked={chosen.has(key)}
              onChange={(e) => {
                const next = new Set(chosen);
                if (e.target.checked) next.add(key);
                else next.delete(key);
                onChange(next);
              }}
            />
            <span className="min-w-0">
              {name} <span className="text-soft">{note}</span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}
