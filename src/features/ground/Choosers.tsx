'use client';

import { useAnswer, useFile } from '@/session';
import { groundText } from '@/text';
import { SelectField } from '@/ui';
import { StretchStepper } from './StretchStand';

const t = groundText.page;

/** In the address: no picture, rather than the first one on the plan. */
export const NO_PICTURE = 'none';

type Take = (id: string | null) => void;

/** Which picture, with which lens, in which stretch. */
export function Choosers({
  frameId,
  lensId,
  stretchId,
  onFrame,
  onLens,
  onStretch,
}: {
  readonly frameId: string | null;
  readonly lensId: string | null;
  readonly stretchId: string | null;
  readonly onFrame: Take;
  readonly onLens: Take;
  readonly onStretch: Take;
}) {
  const { frames, shelf } = useFile();
  const lineup = useAnswer().result?.lineup.lensIds ?? [];
  const lenses = shelf.lenses.filter((l) => lineup.includes(l.id));
  const isChoice = lensId === 'all' || lenses.some((l) => l.id === lensId);
  return (
    <div className="grid grid-cols-2 items-end gap-3 sm:flex sm:flex-wrap print:hidden">
      <div className="sm:w-52">
        <SelectField
          label={t.picture}
          value={frameId ?? NO_PICTURE}
          options={[
            [NO_PICTURE, t.noPicture] as const,
            ...frames.map((f) => [f.id as string, f.name] as const),
          ]}
          onChange={onFrame}
        />
      </div>
      <div className="sm:w-52">
        <SelectField
          label={t.lens}
          value={isChoice && lensId !== null ? lensId : ''}
          options={[
            ['', t.bestLens] as const,
            ['all', t.anyLens] as const,
            ...lenses.map((l) => [l.id as string, l.name] as const),
          ]}
          onChange={(id) => onLens(id === '' ? null : id)}
        />
      </div>
      <StretchStepper stretchId={stretchId} onStretch={onStretch} />
    </div>
  );
}
