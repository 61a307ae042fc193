'use client';

import { useState } from 'react';
import type { Ground } from '@/core/ground';
import { setGround } from '@/document';
import { useEdit } from '@/session';
import { groundText } from '@/text';
import { CellNumber, notify } from '@/ui';

const t = groundText.sheet;

/** Degrees that the sun moves in an hour: what clocks are taken to be ahead by until it is entered. */
const DEG_PER_HOUR = 15;
/** Minutes in an hour: clocks are told in hours ahead of UTC. */
const HOUR_MIN = 60;

type Begun = Partial<Pick<NonNullable<Ground['location']>, 'latitudeDeg' | 'longitudeDeg'>>;

/** The sheet itself: how large, where north lies, and where on Earth it is. */
export function Sheet({ ground }: { readonly ground: Ground }) {
  const edit = useEdit();
  const { location } = ground;
  const put = (change: Partial<Ground>, field: string) =>
    edit(setGround(change), `ground.${field}`);
  // A place on Earth is one only with both of its figures.
  const [begun, begin] = useState<Begun>({});
  const locate = (change: Begun & { readonly utcOffsetMin?: number }) => {
    if (location) return put({ location: { ...location, ...change } }, 'location');
    const { latitudeDeg, longitudeDeg } = { ...begun, ...change };
    begin({ ...begun, ...change });
    if (latitudeDeg === undefined || longitudeDeg === undefined) return;
    const hours = Math.round(longitudeDeg / DEG_PER_HOUR);
    put({ location: { latitudeDeg, longitudeDeg, utcOffsetMin: HOUR_MIN * hours } }, 'location');
    notify(t.clockGuessed(hours));
  };
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
      {figure(t.latitude, (location ?? begun).latitudeDeg ?? null, '°', [-90, 90], (latitudeDeg) =>
        locate({ latitudeDeg }),
      )}
      {figure(
        t.longitude,
        (location ?? begun).longitudeDeg ?? null,
        '°',
        [-180, 180],
        (longitudeDeg) => locate({ longitudeDeg }),
      )}
      {location === null ? (
        <p className="text-[12px] text-soft">{t.locationHint}</p>
      ) : (
        figure(t.utc, location.utcOffsetMin / HOUR_MIN, 'h', [-12, 14], (hours) =>
          locate({ utcOffsetMin: Math.round(hours * HOUR_MIN) }),
        )
      )}
    </section>
  );
}
