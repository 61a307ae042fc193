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
import { applyUnits, PROFILE_NAMES, type Units, unitsNow, watchUnits, dialogText } from '@/text';
import { UsualLimitFields } from '@/parts';

const t = dialogText.settingsDialog;

const THEMES: readonly (readonly [Theme, string])[] = [
  ['light', t.light],
  ['night', t.night],
  ['system', t.asTheSystem],
];
const UNITS: readonly (readonly [Units, string])[] = [
  ['metric', t.metresAndGrams],
  ['imperial', t.feetAndOunces],
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
      title={t.settings}
      description={t.usedForEveryOutingThat}
    >
      <div className="space-y-4">
        <Choice
          label={t.units}
          value={units}
          options={UNITS}
          onChange={(next) => {
            applyUnits(next);
            edit(setSettings({ units: next }));
          }}
        />
        <Choice
          label={t.theme}
          value={theme ?? themeChosen()}
          options={THEMES}
          onChange={(next) => {
            setTheme(next);
            applyTheme(next);
          }}
        />
        <Tick
          label={t.singleKeyShortcutsAndThe}
          on={keys}
          onChange={(on) => {
            setKeys(on);
            setSingleKeys(on);
          }}
        />
        <EntityForm
          label={t.usualLimits}
          schema={settingsSchema}
          value={settings}
          onValid={(next, field) => edit(setSettings(next), `settings.${field}`)}
        >
          <h3 className="mb-2 border-t border-ink pt-2 font-semibold">{t.whatYouUsuallyWant}</h3>
          <SelectField
            label={t.selectionStyle}
            value={styleOf(settings.limits)}
            options={[
              ['own', t.myOwn],
              ...PROFILES.map((p) => [p.key, PROFILE_NAMES[p.key]] as const),
            ]}
            onChange={(key) =>
              key !== 'own' &&
              edit(setSettings({ limits: usualOf(withProfile(asLimits(settings.limits), key)) }))
            }
          />
          <div className="grid grid-cols-2 gap-2">
            <FormText name="currency" label={t.currency} hint={t.threeLettersSuchAsEur} />
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
