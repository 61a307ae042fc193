/** Exif's 2027:06:12 09:31:02; also with the separators of ISO 8601, which some programs write. */
export function timeMs(value: string): number | null {
  const parts = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d):(\d\d)/.exec(value);
  if (parts === null) return null;
  const [year, month, day, hour, minute, second] = parts.slice(1).map(Number) as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  const ms = Date.UTC(year, month - 1, day, hour, minute, second);
  const isReal =
    year >= 1800 && new Date(ms).getUTCMonth() === month - 1 && hour < 24 && minute < 60 && day > 0;
  return isReal && second < 60 ? ms : null;
}

export function zoneMinutes(value: string): number | null {
  if (value === 'Z') return 0;
  const parts = /^([+-])(\d\d):(\d\d)$/.exec(value);
  if (parts === null) return null;
  const minutes = Number(parts[2]) * 60 + Number(parts[3]);
  return minutes > 14 * 60 ? null : parts[1] === '-' ? -minutes : minutes;
}

/** A rating from −1, rejected, to 5. */
export function ratingOf(value: number | null): number | null {
  return value !== null && Number.isInteger(value) && value >= -1 && value <= 5 ? value : null;
}

/** A local moment, ms as if it were UTC, as Exif writes it: 2027:06:12 09:31:02. */
export function exifTime(ms: number): string {
  const iso = new Date(ms).toISOString();
  return `${iso.slice(0, 10).replaceAll('-', ':')} ${iso.slice(11, 19)}`;
}
