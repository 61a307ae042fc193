import { type Photo, UNKNOWN_DEVICE, UNKNOWN_LENS } from '@/core/log';

/** A photograph of which nothing is known but its name; tests say what they are about. */
export function aPhoto(name: string, told: Partial<Photo> = {}): Photo {
  return {
    folder: '',
    name,
    takenMs: null,
    zoneMin: null,
    body: UNKNOWN_DEVICE,
    lens: UNKNOWN_LENS,
    focalMm: null,
    equivalentMm: null,
    fNumber: null,
    timeS: null,
    iso: null,
    flash: null,
    subjectM: null,
    widthPx: null,
    heightPx: null,
    orientation: null,
    digitalZoom: null,
    sensor: null,
    rating: null,
    label: '',
    place: null,
    ...told,
  };
}
