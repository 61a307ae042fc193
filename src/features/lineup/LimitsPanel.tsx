'use client';

import { useFormContext, useWatch } from 'react-hook-form';
import { ArrowUp, X } from 'lucide-react';
import {
  LATE_AIMS,
  type LateAim,
  type Limits,
  limits as limitsSchema,
  profileOf,
  PROFILES,
  withProfile,
} from '@/core/brief';
import { formatKey, type Ownership } from '@/core/gear';
import { setLimits, setLock, namesOf } from '@/document';
import { useEdit, useFile } from '@/session';
import {
  Button,
  EntityForm,
  FormNumber,
  FormSelect,
  IconButton,
  OWNERSHIPS,
  PROFILE_NAMES,
  SelectField,
  Tick,
  useFormSet,
} from '@/ui';

/** What the choice must keep to. */
export function LimitsPanel() {
  const { limits } = useFile();
  const edit = useEdit();
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <SchoolField />
      <h2 className="text-lg">Limits</h2>
      <EntityForm
        label="Limits"
        schema={limitsSchema}
        value={limits}
        onValid={(next, field) => edit(setLimits(next), `limits.${field}`)}
      >
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="maxLenses" label="Lenses at most" placeholder="no limit" />
          <FormNumber
            name="maxLineupWeightG"
            label="Weight at most"
            unit="g"
            placeholder="no limit"
          />
          <FormNumber name="isoCeiling" label="ISO at most" />
          <FormNumber name="maxCrop" label="Crop at most" unit="×" />
          <FormNumber
            name="wantRatePercent"
            label="Each item must add at least"
            unit="%"
            hint="of the wanted pictures; 0 takes anything that helps"
          />
          <FormNumber name="maxSpend" label="Spend at most" placeholder="no limit" />
          <FormSelect
            name="priceBasis"
            label="Prices"
            options={[
              ['new', 'new'],
              ['used', 'used'],
            ]}
          />
          <FormSelect
            name="lensKinds"
            label="Lenses"
            options={[
              ['any', 'of any kind'],
              ['primes', 'primes only'],
              ['zooms', 'zooms only'],
              ['constant-zooms', 'constant zooms'],
            ]}
          />
          <FormNumber
            name="maxCarriedWeightG"
            label="Everything carried"
            unit="g"
            placeholder="no limit"
            hint="cameras, lenses, support, batteries, cards, own things, bag"
          />
          <FormNumber
            name="needTolerancePercent"
            label="Focal length or angle, within"
            unit="%"
            hint="marked focal lengths are rounded"
          />
          <CircleField />
          {PIECES.map(([name, label]) => (
            <FormNumber key={name} name={name} label={label} unit="lens" />
          ))}
          <div className="col-span-2">
            <Ticks />
          </div>
          <SourcesField />
          <AllowedField name="bodyMounts" legend="Bodies of these mounts" />
          <AllowedField name="formats" legend="Of these formats, mm" />
          <OrderField />
        </div>
      </EntityForm>
      <Locks />
    </div>
  );
}

const PIECES = [
  ['converterPieces', 'A converter counts'],
  ['tubePieces', 'A tube counts'],
  ['adapterPieces', 'An adapter counts'],
] as const;

/** A school sets an order of preferences and the limits that it means; the rest stays. */
function SchoolField() {
  const { limits } = useFile();
  const edit = useEdit();
  const current = profileOf(limits) ?? 'own';
  return (
    <SelectField
      label="Selection style"
      value={current}
      options={[
        ...(current === 'own' ? [['own', 'my own limits'] as const] : []),
        ...PROFILES.map((p) => [p.key, PROFILE_NAMES[p.key]] as const),
      ]}
      onChange={(key) => key !== 'own' && edit(setLimits(withProfile(limits, key)))}
    />
  );
}

const TICKS = [
  ['converters', 'Converters may be used'],
  ['neverChange', 'Never change a lens'],
  ['countBodies', 'Cameras count in the weight'],
] as const;

function Ticks() {
  const set = useFormSet();
  const values = useWatch({ name: TICKS.map(([name]) => name) }) as boolean[];
  return TICKS.map(([name, label], i) => (
    <Tick key={name} label={label} on={values[i] ?? false} onChange={(on) => set(name, on)} />
  ));
}

/** What counts as sharp. */
function CircleField() {
  const set = useFormSet();
  const kind = useWatch({ name: 'circleOfConfusion.kind' }) as Limits['circleOfConfusion']['kind'];
  return (
    <>
      <SelectField
        label="Circle of confusion"
        value={kind}
        options={[
          ['output', 'by the output'],
          ['diagonal', 'by the diagonal'],
          ['pixels', 'by the pixel'],
        ]}
        onChange={(next) =>
          set(
            'circleOfConfusion',
            next === 'output'
              ? { kind: next }
              : next === 'diagonal'
                ? { kind: next, divisor: 1500 }
                : { kind: next, px: 2 },
          )
        }
      />
      {kind === 'diagonal' && (
        <FormNumber name="circleOfConfusion.divisor" label="Circle of confusion: diagonal ÷" />
      )}
      {kind === 'pixels' && <FormNumber name="circleOfConfusion.px" label="Blur of" unit="px" />}
      {kind === 'output' && (
        <p className="self-end text-[12px] text-soft">
          two pixels of the output, else diagonal ÷ 1500
        </p>
      )}
    </>
  );
}

/** Which mounts or formats may be used; all ticked is no limit. */
function AllowedField({ name, legend }: { name: 'bodyMounts' | 'formats'; legend: string }) {
  const { shelf } = useFile();
  const set = useFormSet();
  const allowed = useWatch({ name }) as string[] | null;
  const all = [
    ...new Set(shelf.bodies.map((b) => (name === 'formats' ? formatKey(b.sensor) : b.mount))),
  ].sort();
  if (all.length < 2) return null;
  const chosen = allowed ?? all;
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">{legend}</legend>
      {all.map((key) => (
        <Tick
          key={key}
          label={key.replace('x', '×')}
          on={chosen.includes(key)}
          onChange={(on) => {
            const next = on ? [...chosen, key] : chosen.filter((k) => k !== key);
            set(name, all.every((k) => next.includes(k)) ? null : next);
          }}
        />
      ))}
    </fieldset>
  );
}

const AIMS: Record<LateAim, string> = {
  weight: 'lighter',
  price: 'cheaper',
  speed: 'light in hand',
  changes: 'fewer changes',
  crop: 'less cropping',
  own: 'owned gear first',
  grade: 'better lenses, as you grade them',
};

/** What decides among lineups that get the same with as many pieces, first to last. */
function OrderField() {
  const set = useFormSet();
  const order = useWatch({ name: 'order' }) as LateAim[];
  const left = LATE_AIMS.filter((aim) => !order.includes(aim));
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">Among equally small lineups, prefer</legend>
      <ol>
        {order.map((aim, i) => (
          <li key={aim} className="flex items-center justify-between border-b border-hair">
            {i + 1}. {AIMS[aim]}
            <span>
              <IconButton
                label={`Put ${AIMS[aim]} earlier`}
                disabled={i === 0}
                onClick={() =>
                  set('order', [...order.slice(0, i - 1), aim, order[i - 1], ...order.slice(i + 1)])
                }
              >
                <ArrowUp size={14} aria-hidden />
              </IconButton>
              <IconButton
                label={`Leave out ${AIMS[aim]}`}
                onClick={() =>
                  set(
                    'order',
                    order.filter((a) => a !== aim),
                  )
                }
              >
                <X size={14} aria-hidden />
              </IconButton>
            </span>
          </li>
        ))}
      </ol>
      {left.length > 0 && (
        <SelectField
          label="And then"
          value="none"
          options={[['none', 'nothing more'], ...left.map((aim) => [aim, AIMS[aim]] as const)]}
          onChange={(aim) => aim !== 'none' && set('order', [...order, aim])}
        />
      )}
    </fieldset>
  );
}

function SourcesField() {
  const { setValue } = useFormContext();
  const sources = useWatch({ name: 'sources' }) as readonly Ownership[];
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">Gear that may be used</legend>
      {(Object.entries(OWNERSHIPS) as [Ownership, string][]).map(([key, text]) => (
        <label key={key} className="mr-4 inline-flex min-h-7 items-center gap-1.5">
          <input
            type="checkbox"
            checked={sources.includes(key)}
            disabled={sources.length === 1 && sources.includes(key)}
            onChange={(e) =>
              setValue(
                'sources',
                e.target.checked ? [...sources, key] : sources.filter((s) => s !== key),
                { shouldValidate: true },
              )
            }
          />
          {text}
        </label>
      ))}
    </fieldset>
  );
}

function Locks() {
  const file = useFile();
  const edit = useEdit();
  const name = namesOf(file);
  const { lockedIn, lockedOut } = file.limits;
  const list = (title: string, ids: readonly string[]) =>
    ids.length > 0 && (
      <div>
        <h3 className="text-[12px] text-soft">{title}</h3>
        <ul>
          {ids.map((id) => (
            <li key={id} className="flex items-center justify-between border-b border-hair">
              {name(id)}
              <Button
                look="quiet"
                aria-label={`Let the lineup choose ${name(id)}`}
                onClick={() => edit(setLock(id, 'free'))}
              >
                Free
              </Button>
            </li>
          ))}
        </ul>
      </div>
    );
  return (
    <>
      {list('Locked in', lockedIn)}
      {list('Left out', lockedOut)}
    </>
  );
}
