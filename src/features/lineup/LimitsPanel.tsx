'use client';

import { deepEqual } from 'fast-equals';
import { useFormContext, useWatch } from 'react-hook-form';
import {
  DEFAULT_LIMITS,
  type Limits,
  limits as limitsSchema,
  profileOf,
  PROFILES,
  withProfile,
} from '@/core/brief';
import { LIMIT_KEYS, type LimitKey } from '@/core/lineup';
import { formatKey, type Source, SOURCES } from '@/core/gear';
import { followUsual, setLimits, setLock, type UsualKey } from '@/document';
import {
  LIMIT_TEXTS,
  lineupText,
  measureUnit,
  namesOf,
  OWNERSHIPS,
  plainList,
  PROFILE_NAMES,
  USUAL_LIMIT_NAMES,
} from '@/text';
import { useDesk, useEdit, useEditDesk, useFile } from '@/session';
import { Button, EntityForm, FormNumber, SelectField, Tick, useFormSet } from '@/ui';
import { UsualLimitFields } from '@/parts';

const t = lineupText.limitsPanel;
const { room } = lineupText;

/** What the choice must keep to. */
export function LimitsPanel() {
  const { limits } = useFile();
  const edit = useEdit();
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <ProfileField />
      <h2 className="text-lg">{t.limits}</h2>
      <EntityForm
        label={t.limits}
        schema={limitsSchema}
        value={limits}
        onValid={(next, field) => edit(setLimits(next), `limits.${field}`)}
      >
        <div className="grid grid-cols-2 gap-2 max-lg:grid-cols-3">
          {IN_SIGHT.map((key) => (
            <LimitField key={key} of={key} />
          ))}
        </div>
        <details className="mt-2">
          <summary className="cursor-pointer">
            {t.moreLimits} <SetNames />
          </summary>
          <div className="mt-2 grid grid-cols-2 gap-2">
            {LIMIT_KEYS.filter((key) => !IN_SIGHT.includes(key)).map((key) => (
              <LimitField key={key} of={key} />
            ))}
            <FormNumber name="reserve.lightStops" label={room.lightReserve} />
            <FormNumber
              name="reserve.distancePercent"
              label={room.distanceReserve}
              hint={room.reserveHint}
            />
            <div className="col-span-2">
              <Ticks />
            </div>
            <SourcesField />
            <AllowedField name="bodyMounts" legend={t.camerasWithTheseMounts} />
            <AllowedField name="formats" legend={t.withTheseFormatsMm} />
            <UsualLimitFields />
          </div>
          <Differing />
        </details>
      </EntityForm>
      <Locks />
    </div>
  );
}

/** What is asked for most often; the rest is opened. */
const IN_SIGHT: readonly LimitKey[] = ['maxLenses', 'maxLineupWeightG', 'maxSpend'];

function LimitField({ of }: { readonly of: LimitKey }) {
  const { label, measure, hint } = LIMIT_TEXTS[of];
  const { currency } = useFile().outing;
  return (
    <FormNumber
      name={of}
      label={label}
      placeholder={t.noLimit}
      {...(measure ? { unit: measureUnit(measure, currency) } : {})}
      {...(hint ? { hint } : {})}
    />
  );
}

/** Names of what stands under "More limits", in its order. */
const FOLDED: readonly (readonly [keyof Limits, string])[] = [
  ...LIMIT_KEYS.filter((key) => !IN_SIGHT.includes(key)).map(
    (key) => [key, LIMIT_TEXTS[key].label] as const,
  ),
  ['reserve', room.title],
  ['neverChange', t.neverChangeALens],
  ['countBodies', t.camerasCountInTheWeight],
  ['sources', t.gearThatMayBeUsed],
  ['bodyMounts', t.cameraMounts],
  ['formats', t.cameraFormats],
  ...(Object.entries(USUAL_LIMIT_NAMES) as [keyof typeof USUAL_LIMIT_NAMES, string][]),
];

/** Which of the folded limits are other than a new outing's. */
function SetNames() {
  const { limits } = useFile();
  const names = FOLDED.filter(([key]) => !deepEqual(limits[key], DEFAULT_LIMITS[key])).map(
    ([, name]) => name,
  );
  if (names.length === 0) return null;
  return <span className="text-[12px] text-soft">{t.areSet(plainList(names))}</span>;
}

/** A profile sets an order of preferences and the limits that it means; the rest stays. */
function ProfileField() {
  const { limits } = useFile();
  const edit = useEdit();
  const current = profileOf(limits) ?? 'own';
  return (
    <SelectField
      label={t.selectionStyle}
      value={current}
      options={[
        ...(current === 'own' ? [['own', t.myOwnLimits] as const] : []),
        ...PROFILES.map((p) => [p.key, PROFILE_NAMES[p.key]] as const),
      ]}
      onChange={(key) => key !== 'own' && edit(setLimits(withProfile(limits, key)))}
    />
  );
}

const TICKS = [
  ['neverChange', t.neverChangeALens],
  ['countBodies', t.camerasCountInTheWeight],
] as const;

function Ticks() {
  const set = useFormSet();
  const values = useWatch({ name: TICKS.map(([name]) => name) }) as boolean[];
  return TICKS.map(([name, label], i) => (
    <Tick key={name} label={label} on={values[i] ?? false} onChange={(on) => set(name, on)} />
  ));
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

const USUAL_NAMES: Record<UsualKey, string> = {
  ...USUAL_LIMIT_NAMES,
  currency: t.currency,
};

/** Where the outing has its own of what the person usually wants. */
function Differing() {
  const { plan } = useDesk();
  const edit = useEditDesk();
  const changed = (Object.keys(USUAL_NAMES) as UsualKey[]).filter(
    (key) => !plan.ties.usual.includes(key),
  );
  if (changed.length === 0)
    return <p className="text-[13px] text-soft">{t.yourUsualLimitsComeFrom}</p>;
  return (
    <fieldset>
      <legend className="text-[12px] text-soft">{t.changedForThisOuting}</legend>
      {changed.map((key) => (
        <span key={key} className="mr-2 mb-1 inline-block">
          <Button onClick={() => edit(followUsual(key, true))}>
            {t.useMyUsual(USUAL_NAMES[key])}
          </Button>
        </span>
      ))}
    </fieldset>
  );
}

function SourcesField() {
  const { setValue } = useFormContext();
  const sources = useWatch({ name: 'sources' }) as readonly Source[];
  return (
    <fieldset className="col-span-2">
      <legend className="text-[12px] text-soft">{t.gearThatMayBeUsed}</legend>
      {SOURCES.map((key) => (
        <label
          key={key}
          className="mr-4 inline-flex min-h-7 pointer-coarse:min-h-[44px] items-center gap-1.5"
        >
          <input
            type="checkbox"
            checked={sources.includes(key)}
            disabled={sources.length === 1 && sources.includes(key)}
            onChange={(e) =>
              setValue(
                'sources',
                SOURCES.filter((s) => (s === key ? e.target.checked : sources.includes(s))),
                { shouldValidate: true },
              )
            }
          />
          {OWNERSHIPS[key]}
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
                aria-label={t.letTheLineupChoose(name(id))}
                onClick={() => edit(setLock(id, 'free'))}
              >
                {t.free}
              </Button>
            </li>
          ))}
        </ul>
      </div>
    );
  return (
    <>
      {list(t.lockedIn, lockedIn)}
      {list(t.leftOut, lockedOut)}
    </>
  );
}
