'use client';

import type { Converter, Lens, LensId } from '@/core/gear';
import { Tick } from '@/ui';
import { shelfText } from '@/text';

const t = shelfText.pasteGear;

/** Which lenses a converter goes behind: no line says so, and without one it does nothing. */
export function FittingLenses({
  converter: { name, lensIds },
  lenses,
  onChange,
}: {
  converter: Converter;
  lenses: readonly Lens[];
  onChange: (lensIds: readonly LensId[]) => void;
}) {
  const chosen = new Set<LensId>(lensIds);
  return (
    <fieldset className="max-h-40 overflow-auto border-y border-hair py-1">
      <legend className="text-[12px] text-soft">{t.worksWith(name)}</legend>
      {lensIds.length === 0 && <p className="text-wrong">{t.noLensYet(lenses.length > 0)}</p>}
      {lenses.map((lens) => (
        <span key={lens.id} className="mr-4 inline-block">
          <Tick
            label={lens.name}
            on={chosen.has(lens.id)}
            onChange={(on) =>
              onChange(on ? [...lensIds, lens.id] : lensIds.filter((id) => id !== lens.id))
            }
          />
        </span>
      ))}
    </fieldset>
  );
}
