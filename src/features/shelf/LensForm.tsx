'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { type FocalRange, GRADES, type Lens, lens, LENS_FIGURES } from '@/core/gear';
import { putItem } from '@/document';
import { useEditGear } from '@/session';
import {
  Button,
  EntityForm,
  FormNumber,
  FormSelect,
  IconButton,
  SelectField,
  useFormSet,
} from '@/ui';
import { GRADE_NAMES, shelfText } from '@/text';
import { FigureFields } from './FigureFields';
import { CommonFields, GRID, NameFields } from './gearFields';

const t = shelfText.lensForm;

/** A lens in full. */
export function LensForm({ item }: { item: Lens }) {
  const edit = useEditGear();
  return (
    <EntityForm
      label={t.lens(item.name)}
      schema={lens}
      value={item}
      onValid={(next, field) => edit(putItem('lenses', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="focal.wideMm" label={t.wideEnd} unit="mm" />
        <FormNumber name="focal.longMm" label={t.longEnd} unit="mm" />
        <MeasuredFields />
        <ApertureFields />
        <FormSelect
          name="projection"
          label={t.projection}
          options={[
            ['rectilinear', t.rectilinear],
            ['equisolid', t.fisheyeEquisolid],
            ['equidistant', t.fisheyeEquidistant],
            ['stereographic', t.fisheyeStereographic],
            ['orthographic', t.fisheyeOrthographic],
          ]}
        />
        <FigureFields itemId={item.id} figures={LENS_FIGURES} />
        <GradeField />
        <CommonFields itemId={item.id} />
      </div>
    </EntityForm>
  );
}

/** How good the lens is, in the person's own judgement. */
function GradeField() {
  const set = useFormSet();
  const grade = useWatch({ name: 'grade' }) as Lens['grade'];
  return (
    <SelectField
      label={t.gradeYourOwnJudgement}
      value={grade ?? 'unknown'}
      options={[['unknown', t.notGraded], ...GRADES.map((g) => [g, GRADE_NAMES[g]] as const)]}
      onChange={(next) => set('grade', next === 'unknown' ? null : next)}
    />
  );
}

/** A measured range beside the marked one; it counts where there is one. */
function MeasuredFields() {
  const { setValue } = useFormContext();
  const [measured, focal] = useWatch({ name: ['measured', 'focal'] }) as [
    FocalRange | null,
    FocalRange,
  ];
  const set = (value: FocalRange | null) => setValue('measured', value, { shouldValidate: true });
  if (measured === null) {
    return (
      <div className="col-span-2">
        <Button onClick={() => set({ ...focal })}>
          <Plus size={14} aria-hidden />
          {t.addAMeasuredRange}
        </Button>
      </div>
    );
  }
  return (
    <>
      <FormNumber name="measured.wideMm" label={t.measuredWide} unit="mm" />
      <div className="flex items-end gap-1">
        <FormNumber name="measured.longMm" label={t.measuredLong} unit="mm" />
        <IconButton label={t.deleteTheMeasuredRange} onClick={() => set(null)}>
          <Trash2 size={14} aria-hidden />
        </IconButton>
      </div>
    </>
  );
}

/** The widest f-number along the range: a point for each focal length where it is known. */
function ApertureFields() {
  const { fields, append, remove } = useFieldArray({ name: 'apertures' });
  const focal = useWatch({ name: 'focal' }) as FocalRange;
  const points = useWatch({ name: 'apertures' }) as Lens['apertures'];
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">{t.widestFNumberAlongThe}</legend>
      {fields.map((field, i) => (
        <div key={field.id} className="mb-1 grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <FormNumber name={`apertures.${i}.focalMm`} label={t.at} unit="mm" />
          <FormNumber name={`apertures.${i}.fNumber`} label="f/" />
          <IconButton
            label={t.deleteFNumber(i + 1)}
            disabled={fields.length === 1}
            onClick={() => remove(i)}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </div>
      ))}
      <Button
        onClick={() =>
          append({
            focalMm: Math.max(focal.longMm, (points.at(-1)?.focalMm ?? 0) + 1),
            fNumber: points.at(-1)?.fNumber ?? 4,
          })
        }
      >
        <Plus size={14} aria-hidden />
        {t.addAPoint}
      </Button>
    </fieldset>
  );
}
