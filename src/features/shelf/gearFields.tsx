'use client';

import { SOURCES } from '@/core/gear';
import { useFile, useKnownGear } from '@/session';
import { FormNumber, FormSelect, FormText } from '@/ui';
import { OWNERSHIPS } from '@/text';

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
        <FormText name="name" label="Name" />
      </div>
      <FormText name="maker" label="Maker" />
      <FormText name="mount" label="Mount" list={mounts} />
    </>
  );
}

/** Weight, whose it is, prices. */
export function CommonFields() {
  const { outing } = useFile();
  return (
    <>
      <FormNumber name="weightG" label="Weight" unit="g" placeholder="not known" />
      <FormSelect
        name="ownership"
        label="Whose"
        options={SOURCES.map((source) => [source, OWNERSHIPS[source]])}
      />
      <FormNumber
        name="priceNew"
        label="Price new"
        unit={outing.currency}
        placeholder="not known"
      />
      <FormNumber
        name="priceUsed"
        label="Price used"
        unit={outing.currency}
        placeholder="not known"
      />
    </>
  );
}

export const GRID = 'grid grid-cols-2 gap-2';
