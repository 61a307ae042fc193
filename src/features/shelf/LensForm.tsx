'use client';

import { Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { type FocalRange, GRADES, type Lens, lens } from '@/core/gear';
import { putItem } from '@/document';
import { useEditGear } from '@/session';
import {
  Button,
  EntityForm,
  FormKnown,
  FormNumber,
  FormSelect,
  IconButton,
  SelectField,
  useFormSet,
} from '@/ui';
import { GRADE_NAMES } from '@/text';
import { CommonFields, GRID, NameFields } from './gearFields';

/** A lens in full. */
export function LensForm({ item }: { item: Lens }) {
  const edit = useEditGear();
  return (
    <EntityForm
      label={`Lens ${item.name}`}
      schema={lens}
      value={item}
      onValid={(next, field) => edit(putItem('lenses', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="focal.wideMm" label="Wide end" unit="mm" />
        <FormNumber name="focal.longMm" label="Long end" unit="mm" />
        <MeasuredFields />
        <ApertureFields />
        <FormSelect
          name="projection"
          label="Projection"
          options={[
            ['rectilinear', 'straight lines'],
            ['equisolid', 'fisheye, equisolid'],
            ['equidistant', 'fisheye, equidistant'],
            ['stereographic', 'fisheye, stereographic'],
            ['orthographic', 'fisheye, orthographic'],
          ]}
        />
        <FormNumber name="imageCircleMm" label="Image circle" unit="mm" placeholder="not known" />
        <FormNumber name="minFocusM" label="Closest focus" unit="m" placeholder="not known" />
        <FormNumber
          name="maxMagnification"
          label="Magnification"
          unit="×"
          placeholder="not known"
        />
        <FormNumber
          name="stabiliserStops"
          label="Stabiliser"
          unit="stops"
          placeholder="not known"
        />
        <FormKnown name="autofocus" label="Autofocus" />
        <FormNumber name="filterMm" label="Filter thread" unit="mm" placeholder="not known" />
        <FormKnown name="frontThread" label="Takes a front filter" />
        <FormNumber name="smallestFNumber" label="Stops down to f/" placeholder="not known" />
        <FormNumber
          name="builtInConverter"
          label="Built-in converter"
          unit="×"
          placeholder="none"
        />
        <FormKnown name="shift" label="Shifts" />
        <GradeField />
        <FormKnown name="sealed" label="Sealed" />
        <FormNumber name="lengthMm" label="Length" unit="mm" placeholder="not known" />
        <FormNumber
          name="diameterMm"
          label="Widest, hood reversed"
          unit="mm"
          placeholder="not known"
        />
        <CommonFields />
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
      label="Grade, your own judgement"
      value={grade ?? 'unknown'}
      options={[['unknown', 'not graded'], ...GRADES.map((g) => [g, GRADE_NAMES[g]] as const)]}
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
          <Plus size={14} aria-hidden /> Add a measured range
        </Button>
      </div>
    );
  }
  return (
    <>
      <FormNumber name="measured.wideMm" label="Measured, wide" unit="mm" />
      <div className="flex items-end gap-1">
        <FormNumber name="measured.longMm" label="Measured, long" unit="mm" />
        <IconButton label="Remove the measured range" onClick={() => set(null)}>
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
      <legend className="text-[12px] text-soft">Widest f-number along the range</legend>
      {fields.map((field, i) => (
        <div key={field.id} className="mb-1 grid grid-cols-[1fr_1fr_1.75rem] items-end gap-2">
          <FormNumber name={`apertures.${i}.focalMm`} label="at" unit="mm" />
          <FormNumber name={`apertures.${i}.fNumber`} label="f/" />
          <IconButton
            label={`Remove f-number ${i + 1}`}
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
        <Plus size={14} aria-hidden /> Add a point
      </Button>
    </fieldset>
  );
}
