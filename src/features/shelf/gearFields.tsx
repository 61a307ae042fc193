'use client';

import { ITEM_FIGURES, SOURCES } from '@/core/gear';
import { FigureFields } from './FigureFields';
import { useKnownGear } from '@/session';
import { FormSelect, FormText } from '@/ui';
import { OWNERSHIPS, shelfText } from '@/text';

const t = shelfText.gearFields;

export function useMounts(): string[] {
  const shelf = useKnownGear();
  return [...new Set([...shelf.bodies, ...shelf.lenses].map((i) => i.mount))].sort();
}

/** What a piece is called, by whom it is made, and its mount. */
export function NameFields() {
  const mounts = useMounts();
  return (
    <>
      <div className="col-span-2">
        <FormText name="name" label={t.name} />
      </div>
      <FormText name="maker" label={t.maker} />
      <FormText name="mount" label={t.mount} list={mounts} />
    </>
  );
}

const { weightG, ...prices } = ITEM_FIGURES;

/** Weight, ownership, prices. */
export function CommonFields({ itemId }: { itemId: string }) {
  return (
    <>
      <FigureFields itemId={itemId} figures={{ weightG }} />
      <FormSelect
        name="ownership"
        label={t.ownership}
        options={SOURCES.map((source) => [source, OWNERSHIPS[source]])}
      />
      <FigureFields itemId={itemId} figures={prices} />
    </>
  );
}

export const GRID = 'grid grid-cols-2 gap-2';
