'use client';

import { FORGOTTEN_OFTEN, type PackingLine } from '@/core/carry';
import { carryText, FORGOTTEN, lineWords, namesOf } from '@/text';
import { setPacking } from '@/document';
import { useEdit, useFile } from '@/session';

const t = carryText.packingView;

/** The packing list with its reasons; ticks are kept with the outing. */
export function PackingView({ lines }: { lines: readonly PackingLine[] }) {
  const file = useFile();
  const edit = useEdit();
  const name = namesOf(file);
  const ticked = new Set(file.packing.ticked);
  const turn = (id: string) => {
    const next = new Set(ticked);
    if (!next.delete(id)) next.add(id);
    edit(setPacking({ ticked: [...next] }), 'packing.ticked');
  };
  const ids = [...lines.map((l) => l.id), ...FORGOTTEN_OFTEN.map((k) => `often:${k}`)];
  const done = ids.filter((id) => ticked.has(id)).length;
  return (
    <section aria-labelledby="packing" className="print:break-before-page">
      <h2 id="packing" className="text-lg">
        {t.packingList}{' '}
        <span className="text-[13px] text-soft">{t.ofPacked(done, ids.length)}</span>
      </h2>
      <ul>
        {lines.map((line) => {
          const { what, why } = lineWords(line, name);
          return (
            <li key={line.id} className="border-b border-hair">
              <label className="flex min-h-9 cursor-pointer items-start gap-3 py-1.5">
                <input
                  type="checkbox"
                  className="mt-1 h-4 w-4"
                  checked={ticked.has(line.id)}
                  onChange={() => turn(line.id)}
                />
                <span className={ticked.has(line.id) ? 'text-soft line-through' : ''}>
                  {line.count > 1 && <strong>{line.count} × </strong>}
                  {what} <span className="block text-[13px] text-soft">{why}</span>
                </span>
              </label>
            </li>
          );
        })}
      </ul>
      <h3 className="mt-3 text-base">{t.oftenForgotten}</h3>
      <ul className="grid gap-x-6 sm:grid-cols-2">
        {FORGOTTEN_OFTEN.map((key) => (
          <li key={key}>
            <label className="flex min-h-8 cursor-pointer items-center gap-3">
              <input
                type="checkbox"
                className="h-4 w-4"
                checked={ticked.has(`often:${key}`)}
                onChange={() => turn(`often:${key}`)}
              />
              {FORGOTTEN[key]}
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}
