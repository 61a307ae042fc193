'use client';

import type { Ground } from '@/core/ground';
import { groundText } from '@/text';
import { CellText, TableHead } from '@/ui';
import { Points } from './Selected';
import { keyOf, type Thing, thingsOf } from './things';

const t = groundText.table;

/** The plan as a table that says the same and changes the same. */
export function GroundTable({
  ground,
  onPut,
}: {
  readonly ground: Ground;
  readonly onPut: (thing: Thing) => void;
}) {
  return (
    <table className="w-full text-[13px]">
      <TableHead heads={[t.kind, t.name, t.places]} />
      <tbody>
        {thingsOf(ground).map((thing) => {
          const { kind, of } = thing;
          const sort = kind === 'stations' || kind === 'closed' ? kind : thing.of.kind;
          return (
            <tr key={keyOf(thing)} className="border-b border-hair align-top">
              <td className="py-1 pr-3 whitespace-nowrap">{groundText.kinds[sort]}</td>
              <td className="w-56 py-1 pr-3">
                <CellText
                  label={t.nameOf(of.name)}
                  value={of.name}
                  take={(name) => {
                    if (name.trim() === '') return t.nameMissing;
                    onPut({ ...thing, of: { ...of, name } } as Thing);
                    return null;
                  }}
                />
              </td>
              <td className="py-1">
                <Points thing={thing} onPut={onPut} of={of.name} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
