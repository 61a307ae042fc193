'use client';

import { useWatch } from 'react-hook-form';
import type { Twice, View } from '@/core/brief';
import { useFile } from '@/session';
import { FormNumber, SelectField, Tick, useFormSet } from '@/ui';
import { Section } from './parts';

/** In which stretch, by whom, and whether it must be covered twice. */
export function WhereFields() {
  const { stretches, outing } = useFile();
  const set = useFormSet();
  const [stretchIds, shooterIds, twice, views, kind] = useWatch({
    name: ['stretchIds', 'shooterIds', 'twice', 'views', 'need.kind'],
  }) as [string[], string[], Twice | null, View[], string];
  const toggled = (ids: readonly string[], id: string, on: boolean) =>
    on ? [...ids, id] : ids.filter((other) => other !== id);
  return (
    <Section title="Where and by whom">
      <SelectField
        label="Backup"
        value={twice?.by ?? 'none'}
        options={[
          ['none', 'once is enough'],
          ['bodies', "can't be repeated: two lenses on two cameras"],
          ...(outing.shooters.length > 1
            ? [['people', 'by two people, each from their own place'] as const]
            : []),
        ]}
        onChange={(by) =>
          set('twice', by === 'none' ? null : by === 'bodies' ? { by } : { by, shooterIds: [] })
        }
      />
      {twice?.by === 'people' && (
        <fieldset>
          <legend className="text-[12px] text-soft">
            Each of these must have it. Leave empty for any two
          </legend>
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
