'use client';

import type { ReactNode } from 'react';
import { FORGOTTEN_OFTEN, type PackingLine } from '@/core/carry';
import { carryText, FORGOTTEN, lineWords, namesOf } from '@/text';
import { setPacking } from '@/document';
import { useEdit, useFile } from '@/session';

const t = carryText.packingView;

type Group = keyof typeof t.groups;

/** Where each kind of line stands. */
const GROUP_OF: Readonly<Record<PackingLine['code'], Group>> = {
  body: 'cameras',
  'spare-body': 'cameras',
  piece: 'lenses',
  batteries: 'power',
  'power-bank': 'power',
  cards: 'power',
  'spare-card': 'power',
  'drop-in-filter': 'light',
  'grey-filter': 'light',
  filters: 'light',
  'step-up-ring': 'light',
  flash: 'light',
  'flash-batteries': 'light',
  tripod: 'support',
  monopod: 'support',
  headlamp: 'support',
  rain: 'weather',
  dust: 'weather',
  cold: 'weather',
  thing: 'own',
};

/** The packing list with its reasons, in groups; ticks are kept with the outing. */
export function PackingView({ lines }: { lines: readonly PackingLine[] }) {
  const file = useFile();
  const name = namesOf(file);
  const ticked = new Set(file.packing.ticked);
  const ids = [...lines.map((l) => l.id), ...FORGOTTEN_OFTEN.map((k) => `often:${k}`)];
  const done = ids.filter((id) => ticked.has(id)).length;
  const groups = Object.entries(t.groups) as [Group, string][];
  return (
    <section aria-labelledby="packing" className="print:break-before-page">
      <h2 id="packing" className="mb-2 text-lg">
        {t.packingList}{' '}
        <span className="text-[13px] text-soft">{t.ofPacked(done, ids.length)}</span>
      </h2>
      <div className="gap-x-8 sm:columns-2">
        {groups.map(([group, title]) => {
          const own = lines.filter((line) => GROUP_OF[line.code] === group);
          if (own.length === 0) return null;
          return (
            <Group key={group} title={title}>
              {own.map((line) => {
                const { what, why } = lineWords(line, name);
                return (
                  <Line key={line.id} id={line.id} why={why}>
                    {line.count > 1 && <strong>{line.count} × </strong>}
                    {what}
                  </Line>
                );
              })}
            </Group>
          );
        })}
        <Group title={t.oftenForgotten}>
          {FORGOTTEN_OFTEN.map((key) => (
            <Line key={key} id={`often:${key}`} why="">
              {FORGOTTEN[key]}
            </Line>
          ))}
        </Group>
      </div>
    </section>
  );
}

function Group({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <div className="mb-3 break-inside-avoid-column">
      <h3 className="border-b border-ink text-[13px] text-soft">{title}</h3>
      <ul>{children}</ul>
    </div>
  );
}

function Line({
  id,
  why,
  children,
}: {
  readonly id: string;
  readonly why: string;
  readonly children: ReactNode;
}) {
  const { packing } = useFile();
  const edit = useEdit();
  const isTicked = packing.ticked.includes(id);
  const turn = () =>
    edit(
      setPacking({
        ticked: isTicked ? packing.ticked.filter((x) => x !== id) : [...packing.ticked, id],
      }),
      'packing.ticked',
    );
  return (
    <li className="break-inside-avoid border-b border-hair">
      <label className="flex min-h-9 cursor-pointer items-start gap-3 py-1.5 pointer-coarse:min-h-[44px]">
        <input
          type="checkbox"
          className="mt-0.5 size-4 shrink-0 pointer-coarse:size-5"
          checked={isTicked}
          onChange={turn}
        />
        <span className={isTicked ? 'text-soft line-through' : ''}>
          {children}
          {why !== '' && <span className="block text-[13px] text-soft">{why}</span>}
        </span>
      </label>
    </li>
  );
}
