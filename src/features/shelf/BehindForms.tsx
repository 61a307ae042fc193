'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import {
  type Adapter,
  adapter,
  type Converter,
  converter,
  type Lens,
  type Tube,
  tube,
} from '@/core/gear';
import { putItem } from '@/document';
import { useEditGear, useKnownGear } from '@/session';
import { EntityForm, FormKnown, FormNumber, FormText } from '@/ui';
import { CommonFields, GRID, NameFields, useMounts } from './gearFields';
import { shelfText } from '@/text';

const t = shelfText.behindForms;

/** A converter with the lenses it is made for. */
export function ConverterForm({ item }: { item: Converter }) {
  const shelf = useKnownGear();
  const edit = useEditGear();
  return (
    <EntityForm
      label={t.converter(item.name)}
      schema={converter}
      value={item}
      onValid={(next, field) => edit(putItem('converters', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="factor" label={t.factor} unit="×" />
        <span />
        <CommonFields itemId={item.id} />
        <TakesLenses lenses={shelf.lenses.filter((l) => l.mount === item.mount)} />
      </div>
    </EntityForm>
  );
}

/** An extension tube. */
export function TubeForm({ item }: { item: Tube }) {
  const edit = useEditGear();
  return (
    <EntityForm
      label={t.tube(item.name)}
      schema={tube}
      value={item}
      onValid={(next, field) => edit(putItem('tubes', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="lengthMm" label={t.extension} unit="mm" />
        <FormKnown name="autofocus" label={t.keepsAutofocus} />
        <CommonFields itemId={item.id} />
      </div>
    </EntityForm>
  );
}

/** An adapter, in its direction. */
export function AdapterForm({ item }: { item: Adapter }) {
  const edit = useEditGear();
  const mounts = useMounts();
  return (
    <EntityForm
      label={t.adapter(item.name)}
      schema={adapter}
      value={item}
      onValid={(next, field) => edit(putItem('adapters', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <div className="col-span-2">
          <FormText name="name" label={t.name} />
        </div>
        <FormText name="maker" label={t.maker} />
        <FormNumber name="factor" label={t.opticalFactor} unit="×" hint={t.n1WithoutGlass} />
        <FormText name="lensMount" label={t.lensMount} list={mounts} />
        <FormText name="bodyMount" label={t.cameraMount} list={mounts} />
        <FormKnown name="autofocus" label={t.keepsAutofocus} />
        <FormKnown name="dropInFilter" label={t.takesADropInFilter} />
        <CommonFields itemId={item.id} />
      </div>
    </EntityForm>
  );
}

/** Which lenses the converter is made for. */
function TakesLenses({ lenses }: { lenses: readonly Lens[] }) {
  const { setValue } = useFormContext();
  const lensIds = useWatch({ name: 'lensIds' }) as readonly string[];
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">{t.madeForTheseLensesOf}</legend>
      {lenses.length === 0 && <p>{t.noLensOfThisMount}</p>}
      {lenses.map((l) => (
        <label key={l.id} className="flex items-center gap-2 py-0.5">
          <input
            type="checkbox"
            checked={lensIds.includes(l.id)}
            onChange={(e) =>
              setValue(
                'lensIds',
                e.target.checked ? [...lensIds, l.id] : lensIds.filter((id) => id !== l.id),
                { shouldValidate: true },
              )
            }
          />
          {l.name}
        </label>
      ))}
    </fieldset>
  );
}
