'use client';

import { useState, useSyncExternalStore } from 'react';
import { setSettings, settingsSchema } from '@/document';
import { useDesk, useEditDesk } from '@/session';
import {
  applyTheme,
  applyUnits,
  Choice,
  Dialog,
  EntityForm,
  FormText,
  setSingleKeys,
  singleKeysOn,
  type Theme,
  themeChosen,
  Tick,
  type Units,
  unitsNow,
  UsualLimitFields,
  watchTheme,
  watchUnits,
} from '@/ui';

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
          <div className="grid grid-cols-2 gap-2">
            <FormText name="currency" label="Currency" hint="three letters, such as EUR" />
            <UsualLimitFields prefix="limits." />
          </div>
        </EntityForm>
      </div>
    </Dialog>
  );
}
