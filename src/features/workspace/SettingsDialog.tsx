'use client';

import { useSyncExternalStore } from 'react';
import {
  applyTheme,
  applyUnits,
  Choice,
  Dialog,
  setSingleKeys,
  singleKeysOn,
  type Theme,
  themeChosen,
  Tick,
  type Units,
  unitsNow,
  watchTheme,
  watchUnits,
} from '@/ui';
import { useState } from 'react';

const THEMES: readonly (readonly [Theme, string])[] = [
  ['light', 'light'],
  ['night', 'night'],
  ['system', 'as the system'],
];
const UNITS: readonly (readonly [Units, string])[] = [
  ['metric', 'metres and grams'],
  ['imperial', 'feet and ounces'],
];

/** What holds for this browser, whatever outing is open. */
export function SettingsDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const units = useSyncExternalStore(watchUnits, unitsNow, () => 'metric' as const);
  useSyncExternalStore(watchTheme, themeChosen, () => 'system' as const);
  const [keys, setKeys] = useState(singleKeysOn);
  const [theme, setTheme] = useState<Theme | null>(null);
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Settings"
      description="For this browser. Files always hold metres and grams; lenses stay in mm."
    >
      <div className="space-y-4">
        <Choice label="Units" value={units} options={UNITS} onChange={applyUnits} />
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
      </div>
    </Dialog>
  );
}
