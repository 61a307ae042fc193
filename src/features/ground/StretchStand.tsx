'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { flatM, isInWedge, type Ground, type Station } from '@/core/ground';
import type { Cover, FrameResult, LineupResult } from '@/core/lineup';
import type { Stretch } from '@/core/brief';
import { putStretch } from '@/document';
import { useAnswer, useEdit, useFile, useFrameResults } from '@/session';
import { groundText, namesOf, stackName } from '@/text';
import { StateMark } from '@/parts';
import { IconButton, SelectField, Tick } from '@/ui';
import type { PictureOnPlan } from './usePicture';
import { coversFrom, setupOfCover } from './usePicture';
import { aimOf, tightestDeg } from './Wedges';

const t = groundText.page;

/** Steps through the stretches: who stands where in the one that is chosen. */
export function StretchStepper({
  stretchId,
  onStretch,
}: {
  readonly stretchId: string | null;
  readonly onStretch: (id: string | null) => void;
}) {
  const { stretches } = useFile();
  const edit = useEdit();
  if (stretches.length === 0) return null;
  const at = stretches.findIndex((s) => s.id === stretchId);
  const go = (by: number) => stretches[at + by]?.id ?? null;
  const chosen = stretches[at];
  return (
    <div className="col-span-2 flex flex-wrap items-end gap-1">
      <IconButton
        label={t.previousStretch}
        disabled={at < 0}
        onClick={() => onStretch(at > 0 ? go(-1) : null)}
      >
        <ChevronLeft size={16} aria-hidden />
      </IconButton>
      <div className="w-44">
        <SelectField
          label={t.stretch}
          value={chosen?.id ?? ''}
          options={[
            ['', t.everyStretch] as const,
            ...stretches.map((s) => [s.id as string, s.name] as const),
          ]}
          onChange={(id) => onStretch(id === '' ? null : id)}
        />
      </div>
      <IconButton
        label={t.nextStretch}
        disabled={at === stretches.length - 1}
        onClick={() => onStretch(go(1))}
      >
        <ChevronRight size={16} aria-hidden />
      </IconButton>
      {chosen && (
        <Tick
          label={t.nobodyMoves}
          on={chosen.stays}
          onChange={(stays) => edit(putStretch({ ...chosen, stays }))}
        />
      )}
    </div>
  );
}

/** Who holds a station in a stretch where nobody moves: what is said under it. */
export function holdersOf(
  result: LineupResult | null,
  stretchId: string | null,
): ReadonlyMap<string, readonly (string | null)[]> {
  const holders = new Map<string, (string | null)[]>();
  for (const hand of result?.hands ?? []) {
    if (hand.stationId === null || hand.stretchId !== stretchId) continue;
    const isThere = hand.pieceIds === null || hand.pieceIds.length > 0;
    if (isThere)
      holders.set(hand.stationId, [...(holders.get(hand.stationId) ?? []), hand.shooterId]);
  }
  return holders;
}

/** What is photographed from a station in a stretch, and by whom where nobody moves. */
export interface StationUse {
  readonly station: Station;
  readonly people: readonly (string | null)[];
  readonly pictures: readonly { readonly frameId: string; readonly cover: Cover }[];
}

/** The stations of use in a stretch; null for the outing as a whole. */
export function usesOf(
  { stations }: Ground,
  standings: readonly FrameResult[],
  holders: ReadonlyMap<string, readonly (string | null)[]>,
  stretchId: string | null,
): StationUse[] {
  return stations
    .map((station) => ({
      station,
      people: holders.get(station.id) ?? [],
      pictures: standings.flatMap(({ frameId, covers }) => {
        const cover = covers.find(
          (c) => c.stationId === station.id && (c.stretchId === stretchId || c.stretchId === null),
        );
        return cover ? [{ frameId, cover }] : [];
      }),
    }))
    .filter((use) => use.people.length > 0 || use.pictures.length > 0);
}

/** Who stands where in a stretch, and what is photographed from there with what. */
export function StationUses({ stretchId }: { readonly stretchId: string | null }) {
  const file = useFile();
  const { result } = useAnswer();
  const name = namesOf(file);
  const standings = useFrameResults() ?? [];
  const stateOf = (frameId: string) =>
    standings.find((s) => s.frameId === frameId)?.state ?? 'lost';
  const uses = usesOf(file.ground, standings, holdersOf(result, stretchId), stretchId);
  return (
    <ul className="space-y-1">
      {uses.map(({ station, people, pictures }) => (
        <li key={station.id}>
          <strong className="font-semibold">{station.name}</strong>
          {people.length > 0 && `: ${people.map(whoIs(name)).join(' + ')}`}
          {pictures.map(({ frameId, cover }) => (
            <span key={frameId} className="block pl-3">
              <StateMark state={stateOf(frameId)} />{' '}
              {groundText.answer.made(name(frameId), stackName(cover, name))}
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}

const whoIs = (name: (id: string) => string) => (id: string | null) =>
  id === null ? groundText.answer.you : name(id);

/** What is said of a stretch: who stands where, and who stands in whose picture. */
export function StretchNotes({
  stretch,
  picture,
}: {
  readonly stretch: Stretch;
  readonly picture: PictureOnPlan | null;
}) {
  const file = useFile();
  const { result } = useAnswer();
  const name = namesOf(file);
  const who = whoIs(name);
  const holders = holdersOf(result, stretch.id);
  const stations = new Map<string, Ground['stations'][number]>(
    file.ground.stations.map((s) => [s.id, s]),
  );
  const inTheWay = picture ? standingIn(picture, holders, stations) : [];
  return (
    <div className="text-[13px]">
      <p className="text-soft">
        {stretch.stays ? groundText.answer.nobodyMoves : groundText.answer.mayWalk}
      </p>
      <StationUses stretchId={stretch.id} />
      {inTheWay.map(({ shooterId, from }) => (
        <p key={`${shooterId} ${from}`} className="text-wrong">
          {groundText.answer.inPicture(
            who(shooterId),
            picture!.frame.name,
            stations.get(from)?.name ?? from,
          )}
        </p>
      ))}
    </div>
  );
}

/** Who stands nearer than the subject within what a setup takes in from another station. */
function standingIn(
  { frame, subject, standing, setups }: PictureOnPlan,
  holders: ReadonlyMap<string, readonly (string | null)[]>,
  stations: ReadonlyMap<string, Ground['stations'][number]>,
) {
  const aim = aimOf(subject);
  return [...holders.keys()].flatMap((from) => {
    const station = stations.get(from);
    const [cover] = coversFrom(standing, from);
    const setup = cover && setupOfCover(setups, cover);
    if (!station || !setup) return [];
    const angle = tightestDeg(setup, frame, cover.margins);
    return [...holders].flatMap(([id, people]) => {
      const other = stations.get(id);
      if (!other || id === from) return [];
      const isNearer = flatM(other.at, station.at) < flatM(aim, station.at);
      return isNearer && isInWedge(other.at, station.at, aim, angle)
        ? people.map((shooterId) => ({ shooterId, from }))
        : [];
    });
  });
}

/** What is said under a station: who holds it. */
export function noteOf(
  shooters: readonly { readonly id: string; readonly name: string }[],
  holders: ReadonlyMap<string, readonly (string | null)[]>,
): (stationId: string) => string | null {
  return (stationId) => {
    const people = holders.get(stationId);
    if (!people) return null;
    return people
      .map((id) => shooters.find((s) => s.id === id)?.name ?? groundText.answer.you)
      .join(' + ');
  };
}

/** Whether one may stand at a station in a stretch. */
export function isOpenIn({ stations }: Ground, id: string, stretch: Stretch | null): boolean {
  const during = stations.find((s) => s.id === id)?.stretchIds ?? [];
  return stretch === null || during.length === 0 || during.some((s) => s === stretch.id);
}
