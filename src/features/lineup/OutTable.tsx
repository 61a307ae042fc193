'use client';

import { useMemo, useState } from 'react';
import { lensLacks, type LensOut, type LineupResult } from '@/core/lineup';
import { setLock } from '@/document';
import { formatCount, namesOf, OWNERSHIPS, shortfallText } from '@/text';
import { useEdit, useFile } from '@/session';
import { Button } from '@/ui';

const SHOWN = 60;

/** Why each other lens stays out, and what it lacks. */
export function OutTable({ result }: { result: LineupResult }) {
  const file = useFile();
  const edit = useEdit();
  const name = namesOf(file);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  if (result.lensesOut.length === 0) return null;
  const order = [...result.lensesOut].sort(
    (a, b) => b.wouldAdd.length - a.wouldAdd.length || b.makes.length - a.makes.length,
  );
  return (
    <section aria-labelledby="out">
      <h2 id="out" className="mb-1 text-lg">
        Left out
      </h2>
      <ul>
        {order.slice(0, SHOWN).map((out) => (
          <li
            key={out.lensId}
            className="flex items-start justify-between gap-4 border-b border-hair py-1.5"
          >
            <details
              className="min-w-0"
              onToggle={(e) => e.currentTarget.open && setOpened(new Set([...opened, out.lensId]))}
            >
              <summary>
                <span className="font-semibold">{name(out.lensId)}</span>{' '}
                <span className="text-soft">
                  {reasonText(
                    out,
                    file.shelf.lenses.find((l) => l.id === out.lensId)?.ownership,
                    name,
                  )}
                </span>
              </summary>
              {opened.has(out.lensId) && <Lacks out={out} name={name} />}
            </details>
            <Button
              look="quiet"
              aria-label={`Take ${name(out.lensId)}`}
              onClick={() => edit(setLock(out.lensId, 'in'))}
            >
              Take
            </Button>
          </li>
        ))}
      </ul>
      {order.length > SHOWN && (
        <p className="mt-2 text-soft">
          and {formatCount(order.length - SHOWN, 'lens', 'lenses')} more that make less.
        </p>
      )}
    </section>
  );
}

/** Worked out only for lenses that someone asks about. */
function Lacks({ out, name }: { out: LensOut; name: (id: string) => string }) {
  const file = useFile();
  const lacks = useMemo(() => lensLacks(file, out.lensId), [file, out.lensId]);
  return (
    <>
      <p className="mt-1">
        Alone it makes: {out.makes.map(name).join(', ') || 'none of the pictures'}.
      </p>
      <ul className="mt-1 space-y-0.5 text-[13px]">
        {lacks.map((lack) => (
          <li key={lack.frameId}>
            {name(lack.frameId)}: <span className="text-soft">{shortfallText(lack.shortfall)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function reasonText(
  out: LensOut,
  ownership: keyof typeof OWNERSHIPS | undefined,
  name: (id: string) => string,
): string {
  const adds = out.wouldAdd.map(name).join(', ');
  switch (out.reason) {
    case 'locked-out':
      return 'is to stay at home';
    case 'source':
      return `is ${ownership ? OWNERSHIPS[ownership] : 'not here'}: excluded by your limits`;
    case 'weight-unknown':
      return 'weight not known, and a weight limit is set';
    case 'price-unknown':
      return 'price not known, and money is limited';
    case 'kind':
      return 'is of a kind that these limits leave out';
    case 'no-body':
      return 'fits no body that comes along';
    case 'adds-nothing':
      return out.makes.length > 0
        ? `adds nothing: the lineup already makes its ${formatCount(out.makes.length, 'picture', 'pictures')}`
        : 'makes none of the pictures alone';
    case 'bonus-only':
      return `would add only ${adds}; a bonus never brings a lens in`;
    case 'limit':
      return `would add ${adds}, but a limit leaves no room for it`;
    case 'earns-too-little':
      return `would add ${adds}: less than a piece must earn`;
  }
}
