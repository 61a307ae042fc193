'use client';

import { mountableStacks } from '@/core/gear';
import { useKnownGear } from '@/session';
import { plainList, shelfText } from '@/text';

const t = shelfText.fits;

/** What a lens goes on, or a body takes, and by what adapter. */
export function Fits({ kind, id }: { kind: 'lenses' | 'bodies'; id: string }) {
  const shelf = useKnownGear();
  const stacks = mountableStacks({
    ...shelf,
    converters: [],
    tubes: [],
    ...(kind === 'lenses'
      ? { lenses: shelf.lenses.filter((l) => l.id === id) }
      : { bodies: shelf.bodies.filter((b) => b.id === id) }),
  });
  const other = (mounted: (typeof stacks)[number]) =>
    kind === 'lenses' ? mounted.body.name : mounted.lens.name;
  const direct = stacks.filter((c) => c.adapter === null).map(other);
  const adapted = stacks.filter((c) => c.adapter !== null);
  const most = 6;
  const listed = (names: readonly string[]) =>
    names.length > most
      ? t.andMore(plainList(names.slice(0, most)), names.length - most)
      : plainList(names);
  if (stacks.length === 0)
    return (
      <p className="text-[13px]">
        {kind === 'lenses' ? t.fitsNoCameraOnYour : t.noLensOnYourShelf}
      </p>
    );
  const adapters = [...new Set(adapted.map((c) => c.adapter?.name ?? ''))];
  return (
    <p className="text-[13px] text-soft">
      {[
        ...(direct.length === 0 ? [] : [(kind === 'lenses' ? t.fits : t.takes)(listed(direct))]),
        ...adapters.map((name) =>
          t.by(name, listed(adapted.filter((c) => c.adapter?.name === name).map(other))),
        ),
      ].join(' ')}
    </p>
  );
}
