'use client';

import { useWatch } from 'react-hook-form';
import { type Body, body, BODY_FIGURES, usualBodySizeMm } from '@/core/gear';
import { putItem } from '@/document';
import { useEditGear } from '@/session';
import { EntityForm, FormNumber, Tick, useFormSet } from '@/ui';
import { FigureFields } from './FigureFields';
import { CommonFields, GRID, NameFields } from './gearFields';
import { shelfText } from '@/text';

const t = shelfText.bodyForm;

/** A body in full. */
export function BodyForm({ item }: { item: Body }) {
  const edit = useEditGear();
  return (
    <EntityForm
      label={t.camera(item.name)}
      schema={body}
      value={item}
      onValid={(next, field) => edit(putItem('bodies', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="sensor.widthMm" label={t.sensorWidth} unit="mm" />
        <FormNumber name="sensor.heightMm" label={t.sensorHeight} unit="mm" />
        <FormNumber
          name="sensor.pixelsWide"
          label={t.pixelsAcross}
          unit="px"
          placeholder={t.unknown}
        />
        <FormNumber
          name="sensor.pixelsHigh"
          label={t.pixelsDown}
          unit="px"
          placeholder={t.unknown}
        />
        <FigureFields itemId={item.id} figures={BODY_FIGURES} />
        <SizeFields usual={usualBodySizeMm(item)} />
        <CommonFields itemId={item.id} />
      </div>
    </EntityForm>
  );
}

/** The body as a block, for packing. */
function SizeFields({ usual }: { usual: NonNullable<Body['sizeMm']> }) {
  const set = useFormSet();
  const size = useWatch({ name: 'sizeMm' }) as Body['sizeMm'];
  return (
    <div className="col-span-2">
      <Tick
        label={t.itsSizeIsKnown}
        on={size !== null}
        onChange={(on) => set('sizeMm', on ? usual : null)}
      >
        <div className="grid grid-cols-3 gap-2">
          <FormNumber name="sizeMm.widthMm" label={t.width} unit="mm" />
          <FormNumber name="sizeMm.heightMm" label={t.height} unit="mm" />
          <FormNumber name="sizeMm.depthMm" label={t.depth} unit="mm" />
        </div>
      </Tick>
    </div>
  );
}
