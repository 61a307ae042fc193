'use client';

import { useWatch } from 'react-hook-form';
import { type Body, body } from '@/core/gear';
import { putItem } from '@/document';
import { useEditGear } from '@/session';
import { EntityForm, FormKnown, FormNumber, FormText, Tick, useFormSet } from '@/ui';
import { CommonFields, GRID, NameFields } from './gearFields';

/** A body in full. */
export function BodyForm({ item }: { item: Body }) {
  const edit = useEditGear();
  return (
    <EntityForm
      label={`Body ${item.name}`}
      schema={body}
      value={item}
      onValid={(next, field) => edit(putItem('bodies', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="sensor.widthMm" label="Sensor width" unit="mm" />
        <FormNumber name="sensor.heightMm" label="Sensor height" unit="mm" />
        <FormNumber
          name="sensor.pixelsWide"
          label="Pixels across"
          unit="px"
          placeholder="not known"
        />
        <FormNumber
          name="sensor.pixelsHigh"
          label="Pixels down"
          unit="px"
          placeholder="not known"
        />
        <FormNumber name="isoCeiling" label="Highest ISO" placeholder="outing’s" />
        <FormNumber name="stabiliserStops" label="Stabiliser" unit="stops" placeholder="none" />
        <FormNumber name="autofocusLimitFNumber" label="Autofocus to f/" placeholder="not known" />
        <FormKnown name="sealed" label="Sealed" />
        <FormNumber name="picturesPerCharge" label="Pictures a charge" placeholder="not known" />
        <FormNumber name="cardSlots" label="Card slots" placeholder="not known" />
        <FormText name="cardType" label="Kind of card" nullable />
        <FormNumber name="fileMb" label="A picture’s file" unit="MB" placeholder="not known" />
        <SizeFields />
        <CommonFields />
      </div>
    </EntityForm>
  );
}

const USUAL_SIZE = { widthMm: 135, heightMm: 95, depthMm: 75 };

/** The body as a block, for packing. */
function SizeFields() {
  const set = useFormSet();
  const size = useWatch({ name: 'sizeMm' }) as Body['sizeMm'];
  return (
    <div className="col-span-2">
      <Tick
        label="Its size is known"
        on={size !== null}
        onChange={(on) => set('sizeMm', on ? USUAL_SIZE : null)}
      >
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="sizeMm.widthMm" label="Width" unit="mm" />
          <FormNumber name="sizeMm.heightMm" label="Height" unit="mm" />
          <FormNumber name="sizeMm.depthMm" label="Depth" unit="mm" />
        </div>
      </Tick>
    </div>
  );
}
