'use client';

import { Copy, Plus, Trash2 } from 'lucide-react';
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import {
  type Adapter,
  adapter,
  type Body,
  body,
  type Converter,
  converter,
  type FocalRange,
  type Lens,
  lens,
  type Tube,
  tube,
} from '@/core/gear';
import {
  type ItemOf,
  type Kind,
  type Lock,
  lockOf,
  putItem,
  removeItems,
  setLock,
} from '@/document';
import { useEdit, useFile } from '@/session';
import {
  Button,
  Choice,
  EntityForm,
  FormKnown,
  FormNumber,
  FormSelect,
  FormText,
  IconButton,
  OWNERSHIPS,
} from '@/ui';
import { copyItem } from './newGear';

interface GearEditorProps<K extends Kind> {
  readonly kind: K;
  readonly item: ItemOf[K];
  readonly onSelect: (id: string | null) => void;
}

/** One piece of gear in full; what is not known stays empty. */
export function GearEditor<K extends Kind>({ kind, item, onSelect }: GearEditorProps<K>) {
  const file = useFile();
  const edit = useEdit();
  const lock = lockOf(file.limits, item.id);
  const locks: [Lock, string][] =
    kind === 'bodies'
      ? [
          ['free', 'comes along'],
          ['out', 'stays home'],
        ]
      : [
          ['in', 'take it'],
          ['free', 'let it choose'],
          ['out', 'leave it'],
        ];
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-lg leading-tight">{item.name}</h2>
        <span className="whitespace-nowrap">
          <IconButton
            label={`Duplicate ${item.name}`}
            onClick={() => {
              const copy = copyItem(item, file);
              edit(putItem(kind, copy as ItemOf[K]));
              onSelect(copy.id);
            }}
          >
            <Copy size={14} aria-hidden />
          </IconButton>
          <IconButton
            label={`Remove ${item.name}`}
            onClick={() => {
              edit(removeItems(new Set([item.id])));
              onSelect(null);
            }}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </span>
      </div>
      <Choice
        label="For this outing"
        value={lock}
        options={locks}
        onChange={(next) => edit(setLock(item.id, next))}
      />
      {kind === 'lenses' && <LensForm item={item as Lens} />}
      {kind === 'bodies' && <BodyForm item={item as Body} />}
      {kind === 'converters' && <ConverterForm item={item as Converter} />}
      {kind === 'tubes' && <TubeForm item={item as Tube} />}
      {kind === 'adapters' && <AdapterForm item={item as Adapter} />}
    </div>
  );
}

function useMounts(): string[] {
  const { shelf } = useFile();
  return [...new Set([...shelf.bodies, ...shelf.lenses].map((i) => i.mount))].sort();
}

function NameFields() {
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

function CommonFields() {
  const { outing } = useFile();
  return (
    <>
      <FormNumber name="weightG" label="Weight" unit="g" placeholder="not known" />
      <FormSelect
        name="ownership"
        label="Whose"
        options={Object.entries(OWNERSHIPS) as [keyof typeof OWNERSHIPS, string][]}
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

const GRID = 'grid grid-cols-2 gap-2';

function LensForm({ item }: { item: Lens }) {
  const edit = useEdit();
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
        <FormKnown name="sealed" label="Sealed" />
        <CommonFields />
      </div>
    </EntityForm>
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

function BodyForm({ item }: { item: Body }) {
  const edit = useEdit();
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
        <CommonFields />
      </div>
    </EntityForm>
  );
}

function ConverterForm({ item }: { item: Converter }) {
  const { shelf } = useFile();
  const edit = useEdit();
  return (
    <EntityForm
      label={`Converter ${item.name}`}
      schema={converter}
      value={item}
      onValid={(next, field) => edit(putItem('converters', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="factor" label="Factor" unit="×" />
        <span />
        <CommonFields />
        <TakesLenses lenses={shelf.lenses.filter((l) => l.mount === item.mount)} />
      </div>
    </EntityForm>
  );
}

function TubeForm({ item }: { item: Tube }) {
  const edit = useEdit();
  return (
    <EntityForm
      label={`Tube ${item.name}`}
      schema={tube}
      value={item}
      onValid={(next, field) => edit(putItem('tubes', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <NameFields />
        <FormNumber name="lengthMm" label="Extension" unit="mm" />
        <FormKnown name="autofocus" label="Autofocus passes" />
        <CommonFields />
      </div>
    </EntityForm>
  );
}

function AdapterForm({ item }: { item: Adapter }) {
  const edit = useEdit();
  const mounts = useMounts();
  return (
    <EntityForm
      label={`Adapter ${item.name}`}
      schema={adapter}
      value={item}
      onValid={(next, field) => edit(putItem('adapters', next), `${item.id}.${field}`)}
    >
      <div className={GRID}>
        <div className="col-span-2">
          <FormText name="name" label="Name" />
        </div>
        <FormText name="maker" label="Maker" />
        <FormNumber name="factor" label="Factor of its glass" unit="×" hint="1 without glass" />
        <FormText name="lensMount" label="Carries lenses of" list={mounts} />
        <FormText name="bodyMount" label="on bodies of" list={mounts} />
        <FormKnown name="autofocus" label="Autofocus survives" />
        <span />
        <CommonFields />
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
      <legend className="text-[12px] text-soft">Made for these lenses of its mount</legend>
      {lenses.length === 0 && <p>No lens of this mount is on the shelf.</p>}
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
