'use client';

import { useWatch } from 'react-hook-form';
import type { View } from '@/core/brief';
import { useFile } from '@/session';
import { FormNumber, Tick, useFormSet } from '@/ui';
import { Section } from './parts';

/** In which stretch, by whom, and whether it must be covered twice. */
export function WhereFields() {
  const { stretches, outing } = useFile();
  const set = useFormSet();
  const [stretchIds, shooterIds, twice, views, kind] = useWatch({
    name: ['stretchIds', 'shooterIds', 'twice', 'views', 'need.kind'],
  }) as [string[], string[], boolean, View[], string];
  const toggled = (ids: readonly string[], id: string, on: boolean) =>
    on ? [...ids, id] : ids.filter((other) => other !== id);
  return (
    <Section title="Where and by whom">
      <Tick
        label="Cannot be repeated: two lenses on two bodies"
        on={twice}
        onChange={(on) => set('twice', on)}
      />
      {stretches.length > 0 && (
        <fieldset>
          <legend className="text-[12px] text-soft">Stretches; none ticked, any will do</legend>
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
          <legend className="text-[12px] text-soft">Shooters; none ticked, anyone there</legend>
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
        outing.shooters.slice(1).map((s) => {
          const at = views.findIndex((v) => v.shooterId === s.id);
          return (
            <Tick
              key={s.id}
              label={`${s.name} stands elsewhere`}
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
                <FormNumber name={`views.${at}.fromM`} label="Nearest from there" unit="m" />
                <FormNumber name={`views.${at}.toM`} label="Farthest from there" unit="m" />
              </div>
            </Tick>
          );
        })}
    </Section>
  );
}
