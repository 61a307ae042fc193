import type { Log } from '@/core/log';
import { logText } from '@/text';

const t = logText.used;

/** What a camera of the log is called. */
export function cameraName(log: Log, camera: number): string {
  const { make, model } = log.cameras[camera] ?? { make: '', model: '' };
  return [make, model].filter((part) => part !== '').join(' ') || t.unknownCamera;
}

/** What a lens of the log is called. */
export function lensSeenName(log: Log, lens: number): string {
  const {
    make,
    model,
    specification: s,
  } = log.lenses[lens] ?? {
    make: '',
    model: '',
    specification: null,
  };
  if (model !== '') return model.startsWith(make) ? model : `${make} ${model}`.trim();
  if (s === null) return t.unknownLens;
  const { lensName } = logText.gear;
  return lensName(s.wideMm, s.longMm, s.fNumberWide ?? 0, s.fNumberLong ?? 0);
}
