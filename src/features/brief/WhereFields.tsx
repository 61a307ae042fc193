'use client';

import { useWatch } from 'react-hook-form';
import type { BackupRule, Standpoint, View } from '@/core/brief';
import { useFile } from '@/session';
import { FormNumber, SelectField, Tick, useFormSet } from '@/ui';
import { Section } from './parts';
import { briefFormText } from '@/text';

const t = briefFormText.whereFields;

/** In which stretch, by whom, and whether it must be covered twice. */
export function WhereFields() {
  const { stretches, outing } = useFile();
  const set = useFormSet();
  const [stretchIds, shooterIds, twice, views, kind, standpoints] = useWatch({
    name: ['stretchIds', 'shooterIds', 'twice', 'views', 'need.kind', 'standpoints'],
  }) as [string[], string[], BackupRule | null, View[], string, Standpoint[]];
  const toggled = (ids: readonly string[], id: string, on: boolean) =>
    on ? [...ids, id] : ids.filter((other) => other !== id);
  return (
    <Section title={t.whereAndByWhom}>
      <SelectField
        label={t.backup}
        value={twice?.by ?? 'none'}
        options={[
          ['none', t.onceIsEnough],
          ['bodies', t.cantBeRepeatedTwoLenses],
          ...(outing.shooters.length > 1 ? [['people', t.byTwoPeopleEachFrom] as const] : []),
        ]}
        onChange={(by) =>
          set('twice', by === 'none' ? null : by === 'bodies' ? { by } : { by, shooterIds: [] })
        }
      />
      {twice?.by === 'people' && (
        <fieldset>
          <legend className="text-[12px] text-soft">{t.eachOfTheseMustHave}</legend>
          {outing.shooters.map((s) => (
            <Tick
              key={s.id}
              label={s.name}
              on={twice.shooterIds.some((id) => id === s.id)}
              onChange={(on) => set('twice.shooterIds', toggled(twice.shooterIds, s.id, on))}
            />
          ))}
        </fieldset>
      )}
      {stretches.length > 0 && (
        <fieldset>
          <legend className="text-[12px] text-soft">{t.stretchesNoneTickedAny}</legend>
          {stretches.map((s) => (
            <Tick
              key={s.id}
              label={s.name}
              on={stretchIds.includes(s.id)}
              onChange={(on) => set('stretchIds', toggled(stretchIds, s.id, on))}
            />
          ))}
        </fieldset>
      )}
      {outing.shooters.length > 1 && (
        <fieldset>
          <legend className="text-[12px] text-soft">{t.shootersNoneTickedAnyoneThere}</legend>
          {outing.shooters.map((s) => (
            <Tick
              key={s.id}
              label={s.name}
              on={shooterIds.includes(s.id)}
              onChange={(on) => set('shooterIds', toggled(shooterIds, s.id, on))}
            />
          ))}
        </fieldset>
      )}
      {kind === 'subject' &&
        standpoints.length === 0 &&
        outing.shooters.slice(1).map((s) => {
          const at = views.findIndex((v) => v.shooterId === s.id);
          return (
            <Tick
              key={s.id}
              label={t.isSomewhereElse(s.name)}
              on={at >= 0}
              onChange={(on) =>
                set(
                  'views',
                  on
                    ? [...views, { shooterId: s.id, fromM: 5, toM: 10 }]
                    : views.filter((v) => v.shooterId !== s.id),
                )
              }
            >
              <div className="grid grid-cols-2 gap-2">
                <FormNumber name={`views.${at}.fromM`} label={t.nearestFromThere} unit="m" />
                <FormNumber name={`views.${at}.toM`} label={t.farthestFromThere} unit="m" />
              </div>
            </Tick>
          );
        })}
    </Section>
  );
}
