'use client';

import { useWatch } from 'react-hook-form';
import type { Depth, Need, Special } from '@/core/brief';
import { FormNumber, SelectField, Tick, useFormSet } from '@/ui';
import { Section } from './parts';

const SHARP = {
  none: 'nothing in particular',
  rows: 'rows behind the front one',
  zone: 'all between two distances',
} as const;

/** Depth that must be sharp or blurred, and what the lens must be able to do besides. */
export function WishFields() {
  const set = useFormSet();
  const kind = useWatch({ name: 'need.kind' }) as Need['kind'];
  const [sharp, blur] = useWatch({ name: ['depth.sharp', 'depth.blur'] }) as [
    Depth['sharp'],
    Depth['blur'],
  ];
  const special = useWatch({ name: 'special' }) as Special;
  const subject = kind === 'subject';
  return (
    <Section title="Depth and special wishes">
      {kind !== 'fisheye' && (
        <SelectField
          label="Must be sharp in depth"
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
      {sharp?.kind === 'rows' && <FormNumber name="depth.sharp.depthM" label="Depth" unit="m" />}
      {sharp?.kind === 'zone' && (
        <div className="grid grid-cols-2 gap-2">
          <FormNumber name="depth.sharp.fromM" label="From" unit="m" />
          <FormNumber name="depth.sharp.toM" label="To" unit="m" placeholder="horizon" />
        </div>
      )}
      {subject && (
        <Tick
          label="Blur behind"
          on={blur !== null}
          onChange={(on) => set('depth.blur', on ? { behindM: 5, percent: 2 } : null)}
        >
          <div className="grid grid-cols-2 gap-2">
            <FormNumber
              name="depth.blur.behindM"
              label="So far behind"
              unit="m"
              placeholder="far"
            />
            <FormNumber name="depth.blur.percent" label="Disc, of the diagonal" unit="%" />
          </div>
        </Tick>
      )}
      {subject && (
        <FormNumber
          name="special.magnification"
          label="Magnification at least"
          unit="×"
          placeholder="any"
        />
      )}
      <SelectField
        label="Lens at least"
        value={special.leastGrade ?? 'any'}
        options={[
          ['any', 'of any grade'],
          ['good', 'good, in my own judgement'],
          ['first-class', 'first-class, in my own judgement'],
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
  ['autofocus', 'Must focus by itself'],
  ['frontFilter', 'A filter, in front or in the adapter'],
  ['perspectiveControl', 'Perspective control'],
  ['sealed', 'Sealed gear only'],
] as const;
