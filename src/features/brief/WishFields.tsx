'use client';

import { useWatch } from 'react-hook-form';
import type { Depth, Need, Special } from '@/core/brief';
import { FormNumber, SelectField, Tick, useFormSet } from '@/ui';
import { Section } from './parts';
import { briefFormText } from '@/text';

const t = briefFormText.wishFields;

const SHARP = {
  none: t.nothingInParticular,
  rows: t.rowsBehindTheFrontOne,
  zone: t.allBetweenTwoDistances,
} as const;

/** Depth that must be sharp or blurred, and what the lens must be able to do besides. */
export function WishFields() {
  const set = useFormSet();
  const kind = useWatch({ name: 'need.kind' }) as Need['kind'];
  const [sharp, blur] = useWatch({ name: ['depth.sharp', t.depthBlur] }) as [
    Depth['sharp'],
    Depth['blur'],
  ];
  const special = useWatch({ name: 'special' }) as Special;
  const subject = kind === 'subject';
  return (
    <Section title={t.depthOfFieldAndExtras}>
      {kind !== 'fisheye' && (
        <SelectField
          label={t.mustBeSharpInDepth}
          value={sharp?.kind ?? 'none'}
          options={(Object.entries(SHARP) as [keyof typeof SHARP, string][]).filter(
            ([key]) => subject || key !== 'rows',
          )}
          onChange={(next) =>
            set(
              'depth.sharp',
              next === 'none'
                ? null
                : next === 'rows'
                  ? { kind: 'rows', depthM: 0.8 }
                  : { kind: 'zone', fromM: 2, toM: null },
            )
          }
        />
      )}
      {sharp?.kind === 'rows' && <FormNumber name="depth.sharp.depthM" label={t.depth} unit="m" />}
      {sharp?.kind === 'zone' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="depth.sharp.fromM" label={t.from} unit="m" />
          <FormNumber name="depth.sharp.toM" label={t.to} unit="m" placeholder={t.horizon} />
        </div>
      )}
      {subject && (
        <Tick
          label={t.blurBehind}
          on={blur !== null}
          onChange={(on) => set('depth.blur', on ? { behindM: 5, percent: 2 } : null)}
        >
          <div className="grid grid-cols-2 gap-2">
            <FormNumber
              name="depth.blur.behindM"
              label={t.distanceBehind}
              unit="m"
              placeholder={t.far}
            />
            <FormNumber name="depth.blur.percent" label={t.blurDiscOfTheDiagonal} unit="%" />
          </div>
        </Tick>
      )}
      {subject && (
        <FormNumber
          name="special.magnification"
          label={t.magnificationAtLeast}
          unit="×"
          placeholder={t.any}
        />
      )}
      <SelectField
        label={t.lensAtLeast}
        value={special.leastGrade ?? 'any'}
        options={[
          ['any', t.ofAnyGrade],
          ['good', t.goodAsIGradeThem],
          ['first-class', t.firstClassAsIGrade],
        ]}
        onChange={(next) => set('special.leastGrade', next === 'any' ? null : next)}
      />
      {BOOLEANS.map(([key, label]) => (
        <Tick
          key={key}
          label={label}
          on={special[key]}
          onChange={(on) => set(`special.${key}`, on)}
        />
      ))}
    </Section>
  );
}

const BOOLEANS = [
  ['autofocus', t.needsAutofocus],
  ['frontFilter', t.aFilterInFrontOr],
  ['perspectiveControl', t.perspectiveControl],
  ['sealed', t.weatherSealedGearOnly],
] as const;
