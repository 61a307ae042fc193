import { type Codec, type Desk, planCodec, settingsCodec, shelfCodec } from '../desk';
import type { OutingKey, RecordKey } from './stored';

/** A part of the desk that is stored by itself. */
export interface RecordPart<T> {
  readonly key: RecordKey;
  readonly text: Codec<T>;
  readonly get: (desk: Desk) => T;
  readonly put: (desk: Desk, value: T) => Desk;
  /** Of an outing its name, else the key. */
  readonly name: (value: T) => string;
}

/** Gear before what may name it, so that a kill in between leaves nothing dangling. */
export function partsOf(outing: OutingKey): readonly RecordPart<object>[] {
  const parts = [
    {
      key: 'settings',
      text: settingsCodec,
      get: (desk: Desk) => desk.settings,
      put: (desk: Desk, settings: Desk['settings']) => ({ ...desk, settings }),
      name: () => 'settings',
    },
    {
      key: 'shelf',
      text: shelfCodec,
      get: (desk: Desk) => desk.shelf,
      put: (desk: Desk, shelf: Desk['shelf']) => ({ ...desk, shelf }),
      name: () => 'shelf',
    },
    {
      key: outing,
      text: planCodec,
      get: (desk: Desk) => desk.plan,
      put: (desk: Desk, plan: Desk['plan']) => ({ ...desk, plan }),
      name: (plan: Desk['plan']) => plan.outing.name,
    },
  ];
  return parts as unknown as readonly RecordPart<object>[];
}
