'use client';

import type { Ground } from '@/core/ground';
import { setGround } from '@/document';
import { useEdit } from '@/session';
import { groundText } from '@/text';
import { CellNumber } from '@/ui';

const t = groundText.sheet;

/** Minutes in an hour: clocks are told in hours ahead of UTC. */
const HOUR_MIN = 60;
/** A location that is begun with a latitude alone. */
const NOWHERE = { latitudeDeg: 0, longitudeDeg: 0, utcOffsetMin: 0 };

/** The sheet itself: how large, where north lies, and where on Earth it is. */
export function Sheet({ ground }: { readonly ground: Ground }) {
  const edit = useEdit();
  const { location } = ground;
  const put = (change: Partial<Ground>, field: string) =>
    edit(setGround(change), `ground.${field}`);
  const locate = (change: Partial<NonNullable<Ground['location']>>) =>
    put({ location: { ...(location ?? NOWHERE), ...change } }, 'location');
  const figure = (
    label: string,
    value: number | null,
    unit: string,
    [from, to]: readonly [number, number],
    take: (value: number) => void,
  ) => (
    <p className="flex items-center justify-between gap-2">
      <span className="text-[12px] text-soft">{label}</span>
      <CellNumber
        label={label}
        unit={unit}
        value={value}
        take={(typed) => {
          if (typed === null || !(typed >= from && typed <= to)) return t.mustBe(from, to);
          take(typed);
          return null;
        }}
      />
    </p>
  );
  return (
    <section aria-label={t.title} className="space-y-1">
      <h2 className="text-base">{t.title}</h2>
      {figure(t.width, ground.widthM, 'm', [0.01, 20_000], (widthM) => put({ widthM }, 'widthM'))}
      {figure(t.height, ground.heightM, 'm', [0.01, 20_000], (heightM) =>
        put({ heightM }, 'heightM'),
      )}
      {figure(t.north, ground.northDeg, '°', [0, 360], (northDeg) => put({ northDeg }, 'northDeg'))}
      {figure(t.latitude, location?.latitudeDeg ?? null, '°', [-90, 90], (latitudeDeg) =>
        locate({ latitudeDeg }),
      )}
      {figure(t.longitude, location?.longitudeDeg ?? null, '°', [-180, 180], (longitudeDeg) =>
        locate({ longitudeDeg }),
      )}
      {figure(
        t.utc,
        location === null ? null : location.utcOffsetMin / HOUR_MIN,
        'h',
        [-12, 14],
        (hours) => locate({ utcOffsetMin: Math.round(hours * HOUR_MIN) }),
      )}
      {location === null && <p className="text-[12px] text-soft">{t.locationHint}</p>}
    </section>
  );
}
