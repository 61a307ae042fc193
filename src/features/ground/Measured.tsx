'use client';

import { type Frame, timeOf } from '@/core/brief';
import {
  type Ground,
  heightNeededM,
  type LightSince,
  lightThrough,
  screensOf,
  type Station,
} from '@/core/ground';
import { tieFrame } from '@/document';
import { useEdit, useFile } from '@/session';
import {
  distanceSteps,
  formatDistances,
  formatMetres,
  groundText,
  namesOf,
  plainList,
  stackName,
} from '@/text';
import { Button, notify, SelectField } from '@/ui';
import { Figure } from '@/parts';
import { coversFrom, lensFor, type PictureOnPlan } from './usePicture';
import type { SunThrough } from './useSun';
import { aimOf } from './Wedges';

const t = groundText.measured;

/** The chosen picture from each station: how far it is, what is in the way, and what covers it. */
export function Measured({
  picture,
  sun,
}: {
  readonly picture: PictureOnPlan;
  readonly sun: SunThrough | null;
}) {
  const { frame, subject, standing, standpoints } = picture;
  const { ground, shelf, stretches, frames, outing } = useFile();
  const name = namesOf({ shelf, stretches, frames, outing });
  const edit = useEdit();
  const untie = () => {
    edit(tieFrame(frame.id, null));
    notify(t.untied);
  };
  return (
    <section aria-label={t.title(frame.name)} className="space-y-1">
      <h2 className="text-base">{t.title(frame.name)}</h2>
      <table className="w-full text-[13px]">
        <thead>
          <tr className="text-left text-[12px] text-soft">
            <th className="w-2/5 font-normal">{t.from}</th>
            <th className="font-normal">{t.distance}</th>
          </tr>
        </thead>
        <tbody>
          {standpoints.map((s) => {
            const station = ground.stations.find((x) => x.id === s.stationId);
            if (!station) return null;
            const [cover] = coversFrom(standing, station.id);
            const other = cover || s.seenPercent === 0 ? null : lensFor(picture, s);
            return (
              <tr key={s.stationId} className="border-t border-hair align-top">
                <td className="py-0.5 pr-2">{station.name}</td>
                <td className="py-0.5">
                  <Figure
                    label={t.why(frame.name, station.name)}
                    steps={() => distanceSteps(station, subject, s)}
                  >
                    {formatDistances(s.fromM, s.toM)}
                  </Figure>
                  <span className="block text-soft">
                    {sightText(s.seenPercent, station, picture, ground)}
                    {sun && `${SEPARATOR}${sunText(station, picture, sun, ground)}`}
                  </span>
                  <span className={`block ${cover ? 'text-got' : 'text-soft'}`}>
                    {cover
                      ? t.coversIt(stackName(cover, name))
                      : other
                        ? t.wouldCover(name(other))
                        : t.notCovered}
                  </span>
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <Button onClick={untie}>{t.untie}</Button>
    </section>
  );
}

const SEPARATOR = ', ';

export function sightText(
  percent: number,
  station: Station,
  { subject }: PictureOnPlan,
  ground: Ground,
): string {
  if (percent === 100) return t.inSightWholly;
  if (percent > 0) return t.part(percent);
  const screens = screensOf(ground.obstacles);
  const needed = Math.max(
    ...subject.points.map(
      (p) => heightNeededM(station.at, { ...p, zM: subject.middleM }, screens) ?? -Infinity,
    ),
  );
  return Number.isFinite(needed) ? t.heightNeeded(formatMetres(needed)) : t.hidden;
}

const LIGHTS: Readonly<Record<LightSince['light'], string>> = {
  front: t.front,
  side: t.side,
  back: t.back,
  down: t.sunDown,
};

/** Where the light comes from through the stretch, with the minutes at which it turns. */
function sunText(
  station: Station,
  { subject }: PictureOnPlan,
  { suns, fromMin }: SunThrough,
  { northDeg }: Ground,
): string {
  const lights = lightThrough(suns, station.at, aimOf(subject), northDeg);
  return plainList(
    lights.map(({ after, light }) =>
      after === 0 ? LIGHTS[light] : t.turns(LIGHTS[light], timeOf(fromMin + after)),
    ),
  );
}

/** A picture that is not on the plan yet: which subject it is of. */
export function TieIt({ frame }: { readonly frame: Frame }) {
  const subjects = useFile().ground.subjects;
  const edit = useEdit();
  if (frame.need.kind !== 'subject') return <p className="text-soft">{t.onlySubjects}</p>;
  if (subjects.length === 0) return null;
  return (
    <SelectField
      label={t.tieTo}
      value=""
      options={[['', t.notTied], ...subjects.map((s) => [s.id as string, s.name] as const)]}
      onChange={(id) => id !== '' && edit(tieFrame(frame.id, id))}
    />
  );
}
