'use client';

import { useState, useSyncExternalStore } from 'react';
import { DEFAULT_LIMITS, type ProfileKey, PROFILES, withProfile } from '@/core/brief';
import { same, setSettings, type Settings, settingsSchema, usualOf } from '@/document';
import { useDesk, useEditDesk } from '@/session';
import {
  applyTheme,
  Choice,
  Dialog,
  EntityForm,
  FormText,
  SelectField,
  setSingleKeys,
  singleKeysOn,
  type Theme,
  themeChosen,
  Tick,
  watchTheme,
} from '@/ui';
import { applyUnits, PROFILE_NAMES, type Units, unitsNow, watchUnits } from '@/text';
import { UsualLimitFields } from '@/parts';

const THEMES: readonly (readonly [Theme, string])[] = [
  ['light', 'light'],
  ['night', 'night'],
  ['system', 'as the system'],
];
const UNITS: readonly (readonly [Units, string])[] = [
  ['metric', 'metres and grams'],
  ['imperial', 'feet and ounces'],
];

/** The person's settings, and what holds for this browser. */
export function SettingsDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const units = useSyncExternalStore(watchUnits, unitsNow, () => 'metric' as const);
  useSyncExternalStore(watchTheme, themeChosen, () => 'system' as const);
  const { settings } = useDesk();
  const edit = useEditDesk();
  const [keys, setKeys] = useState(singleKeysOn);
  const [theme, setTheme] = useState<Theme | null>(null);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Settings"
      description="Yours, for every outing that has no other. Files always hold metres and grams; lenses stay in mm."
    >
      <div className="space-y-4">
        <Choice
          label="Units"
          value={units}
          options={UNITS}
          onChange={(next) => {
            applyUnits(next);
            edit(setSettings({ units: next }));
          }}
        />
        <Choice
          label="Theme"
          value={theme ?? themeChosen()}
          options={THEMES}
          onChange={(next) => {
            setTheme(next);
            applyTheme(next);
          }}
        />
        <Tick
          label="Single-key shortcuts (? and the numbers)"
          on={keys}
          onChange={(on) => {
            setKeys(on);
            setSingleKeys(on);
          }}
        />
        <EntityForm
          label="Usual limits"
          schema={settingsSchema}
          value={settings}
          onValid={(next, field) => edit(setSettings(next), `settings.${field}`)}
        >
          <h3 className="mb-2 border-t border-ink pt-2 font-semibold">What you usually want</h3>
          <SelectField
            label="Selection style"
            value={styleOf(settings.limits)}
            options={[
              ['own', 'my own'],
              ...PROFILES.map((p) => [p.key, PROFILE_NAMES[p.key]] as const),
            ]}
            onChange={(key) =>
              key !== 'own' &&
              edit(setSettings({ limits: usualOf(withProfile(asLimits(settings.limits), key)) }))
            }
          />
          <div className="grid grid-cols-2 gap-2">
            <FormText name="currency" label="Currency" hint="three letters, such as EUR" />
            <UsualLimitFields prefix="limits." />
          </div>
        </EntityForm>
      </div>
    </Dialog>
  );
}

/** The usual limits among all, the others as they are when nobody has said anything. */
const asLimits = (usual: Settings['limits']) => ({ ...DEFAULT_LIMITS, ...usual });

/** The style that the usual limits are set by, as far as it speaks of them. */
function styleOf(usual: Settings['limits']): ProfileKey | 'own' {
  const style = PROFILES.find(({ limits }) =>
    Object.entries(limits).every(
      ([key, value]) => !(key in usual) || same(usual[key as keyof typeof usual], value),
    ),
  );
  return style?.key ?? 'own';
}
