'use client';

import { SOURCES } from '@/core/gear';
import { useFile, useKnownGear } from '@/session';
import { FormNumber, FormSelect, FormText } from '@/ui';
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

/** Weight, whose it is, prices. */
export function CommonFields() {
  const { outing } = useFile();
  return (
    <>
      <FormNumber name="weightG" label={t.weight} unit="g" placeholder={t.unknown} />
      <FormSelect
        name="ownership"
        label={t.ownership}
        options={SOURCES.map((source) => [source, OWNERSHIPS[source]])}
      />
      <FormNumber
        name="priceNew"
        label={t.priceNew}
        unit={outing.currency}
        placeholder={t.unknown}
      />
      <FormNumber
        name="priceUsed"
        label={t.priceUsed}
        unit={outing.currency}
        placeholder={t.unknown}
      />
    </>
  );
}

export const GRID = 'grid grid-cols-2 gap-2';
