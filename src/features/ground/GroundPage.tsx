'use client';

import { Maximize, Minus, Plus } from 'lucide-react';
import { useCallback, useState } from 'react';
import { minutesOf, type Stretch } from '@/core/brief';
import {
  type Ground,
  type Point,
  screensOf,
  sunOver,
  type SunOverPlan,
  sunShadowOf,
} from '@/core/ground';
import {
  freshId,
  GROUND_TEMPLATES,
  groundFrom,
  type GroundTemplate,
  newClosed,
  newObstacle,
  newStation,
  newSubject,
  putOnGround,
  removeFromGround,
  setGround,
} from '@/document';
import { useAnswer, useEdit, useFile, useHistory, useSelection } from '@/session';
import { counted, formatAngle, groundText, namesOf, stackName } from '@/text';
import { Button, IconButton, Menu, notify, SelectField } from '@/ui';
import { Bands, pathOf } from './Bands';
import { exportGeoJson, exportPng, exportSvg } from './exportPlan';
import { GroundTable } from './GroundTable';
import { Here, HereMark } from './Here';
import { Measured, TieIt } from './Measured';
import { PlanView } from './PlanView';
import { scaleOf, type Scale, wholeOf, type Zoom } from './scale';
import { Selected } from './Selected';
import { Sheet } from './Sheet';
import { SightLines } from './SightLines';
import { holdersOf, StretchNotes, StretchStepper } from './StretchStand';
import { Templates } from './Templates';
import { keyOf, type Thing, thingAt } from './things';
import { useSize } from './useSize';
import { coversFrom, type PictureOnPlan, usePicture } from './usePicture';
import { aimOf, TrueSize, Wedges } from './Wedges';

const t = groundText.page;

export function GroundPage() {
  const { ground } = useFile();
  const isBlank = [ground.stations, ground.subjects, ground.obstacles, ground.closed].every(
    (list) => list.length === 0,
  );
  const [isBegun, setBegun] = useState(false);
  const edit = useEdit();
  const { undo } = useHistory();
  const start = (template: GroundTemplate | null) => {
    setBegun(true);
    if (template === null) return;
    edit(setGround(groundFrom(template, (key) => groundText.names[key] ?? key)));
    if (!isBlank)
      notify(t.replaced(groundText.templates[template]), {
        action: { label: t.undo, onClick: undo },
      });
  };
  return isBlank && !isBegun ? <Templates onStart={start} /> : <Plan onStart={start} />;
}

function Plan({ onStart }: { readonly onStart: (template: GroundTemplate) => void }) {
  const file = useFile();
  const { ground } = file;
  const edit = useEdit();
  const { undo } = useHistory();
  const { result } = useAnswer();
  const [selected, select] = useSelection('at');
  const [frameKey, setFrame] = useSelection('frame');
  const [stretchId, setStretch] = useSelection('stretch');
  const [lensId, setLens] = useSelection('lens');
  const [zoom, setZoom] = useState<Zoom | null>(null);
  const [here, setHere] = useState<Point | null>(null);
  const [box, size] = useSize();
  const tied = ground.subjects.flatMap((s) => s.frameIds);
  const frameId = frameKey ?? tied[0] ?? null;
  const isOfLineup = result?.lineup.lensIds.some((id) => id === lensId) ?? false;
  const picture = usePicture(
    frameId,
    lensId === 'all' ? 'all' : isOfLineup && lensId !== null ? { id: lensId } : 'best',
  );
  const frame = file.frames.find((f) => f.id === frameId);
  const stretch = file.stretches.find((s) => s.id === stretchId) ?? null;
  const sun = sunIn(ground, stretch);
  const thing = thingAt(ground, selected);
  const shown = zoom ?? wholeOf(ground);
  const scale = scaleOf(ground, size, shown);
  const put = useCallback(
    (moved: Thing) => {
      edit(putOnGround(moved.kind, moved.of), `ground.${keyOf(moved)}`);
    },
    [edit],
  );
  const remove = (gone: Thing) => {
    edit(removeFromGround(gone.kind, gone.of.id));
    select(null);
    notify(groundText.selected.removed(gone.of.name), {
      action: { label: t.undo, onClick: undo },
    });
  };
  const zoomBy = (factor: number) =>
    setZoom({ ...shown, times: Math.min(40, Math.max(1, shown.times * factor)) });
  const svg = () => box.current?.querySelector('svg') ?? null;
  return (
    <div className="grid gap-x-8 gap-y-4 pt-3 lg:grid-cols-[minmax(0,1fr)_19rem]">
      <div className="min-w-0 space-y-2">
        <div className="flex flex-wrap items-end justify-between gap-2">
          <h1 className="text-xl">{t.title}</h1>
          <Tools {...{ ground, onStart, svg }} onAdded={(key) => select(key)} />
        </div>
        <p>
          {picture
            ? answerText(picture, ground, namesOf(file))
            : frame
              ? groundText.answer.notOnPlan(frame.name)
              : t.noneMeasured}
        </p>
        <div className="grid grid-cols-2 items-end gap-3 sm:flex sm:flex-wrap print:hidden">
          <div className="sm:w-52">
            <SelectField
              label={t.picture}
              value={frameId ?? ''}
              options={[
                ['', t.noPicture] as const,
                ...file.frames.map((f) => [f.id as string, f.name] as const),
              ]}
              onChange={(id) => setFrame(id === '' ? null : id)}
            />
          </div>
          <div className="sm:w-52">
            <SelectField
              label={t.lens}
              value={isOfLineup || lensId === 'all' ? (lensId ?? '') : ''}
              options={[
                ['', t.bestLens] as const,
                ['all', t.anyLens] as const,
                ...file.shelf.lenses
                  .filter((l) => result?.lineup.lensIds.some((id) => id === l.id))
                  .map((l) => [l.id as string, l.name] as const),
              ]}
              onChange={(id) => setLens(id === '' ? null : id)}
            />
          </div>
          <StretchStepper stretchId={stretchId} onStretch={setStretch} />
        </div>
        <div
          ref={box}
          className="relative max-h-[64vh] min-h-56 w-full overflow-hidden border border-hair lg:min-h-96"
          style={{ aspectRatio: `${ground.widthM + 1} / ${ground.heightM + 1}` }}
        >
          <PlanView
            ground={ground}
            scale={scale}
            size={size}
            selected={selected}
            onSelect={select}
            onPlace={(place) => setHere(isOnSheet(ground, place) ? place : null)}
            onMove={put}
            onRemove={remove}
            onPan={(dx, dy) =>
              setZoom((before) =>
                panned(before ?? wholeOf(ground), dx / scale.perM, dy / scale.perM),
              )
            }
            aim={picture && aimOf(picture.subject)}
            isOpen={(id) => isOpenIn(ground, id, stretch)}
            noteOf={noteOf(file.outing.shooters, holdersOf(result, stretchId))}
            label={t.planOf(
              counted(ground.stations.length, 'station'),
              counted(ground.subjects.length, 'subject'),
            )}
            beneath={
              <>
                {sun && <SunShadows {...{ ground, sun, scale }} />}
                {picture && (
                  <Bands
                    picture={picture}
                    scale={scale}
                    cameraM={thing?.kind === 'stations' ? thing.of.cameraM : usualCameraM(ground)}
                    screens={screensOf(ground.obstacles)}
                    closed={ground.closed}
                    sheet={ground}
                  />
                )}
                {picture && <Wedges picture={picture} stations={ground.stations} scale={scale} />}
              </>
            }
            over={
              <>
                {here && <HereMark at={here} scale={scale} />}
                {picture && <SightLines picture={picture} ground={ground} scale={scale} />}
                {picture && ground.stations[0] && (
                  <TrueSize picture={picture} from={ground.stations[0].at} scale={scale} />
                )}
              </>
            }
          />
          <div className="absolute right-2 bottom-2 flex gap-1 print:hidden">
            <IconButton label={t.zoomOut} onClick={() => zoomBy(1 / 1.5)}>
              <Minus size={15} aria-hidden />
            </IconButton>
            <IconButton label={t.zoomIn} onClick={() => zoomBy(1.5)}>
              <Plus size={15} aria-hidden />
            </IconButton>
            <IconButton label={t.fit} onClick={() => setZoom(null)}>
              <Maximize size={15} aria-hidden />
            </IconButton>
          </div>
        </div>
        <p className="text-[12px] text-soft">
          {t.legend} <span className="print:hidden">{t.dragging}</span>
        </p>
        <details className="print:hidden">
          <summary className="cursor-pointer">{t.asTable}</summary>
          <div className="overflow-x-auto" tabIndex={0}>
            <GroundTable ground={ground} onPut={put} />
          </div>
        </details>
      </div>
      <aside
        aria-label={t.title}
        tabIndex={0}
        className="space-y-4 lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-auto"
      >
        {thing && (
          <Selected
            key={keyOf(thing)}
            thing={thing}
            onPut={put}
            onRemove={remove}
            onDone={() => select(null)}
          />
        )}
        <Chosen picture={picture} frameId={frameId} sun={sun} stretch={stretch} here={here} />
        {!thing && <Sheet ground={ground} />}
      </aside>
    </div>
  );
}

/** What is said beside the plan while nothing on it is selected. */
function Chosen({
  picture,
  frameId,
  sun,
  stretch,
  here,
}: {
  readonly picture: PictureOnPlan | null;
  readonly frameId: string | null;
  readonly sun: SunOverPlan | null;
  readonly stretch: Stretch | null;
  readonly here: Point | null;
}) {
  const { frames, ground } = useFile();
  const frame = frames.find((f) => f.id === frameId);
  const measured = frames.filter((f) => f.standpoints.length > 0).length;
  return (
    <>
      <p className="text-soft">{t.measured(measured, frames.length)}</p>
      {stretch && <StretchNotes stretch={stretch} picture={picture} />}
      {sun && (
        <p className="text-[13px]">
          {groundText.sheet.sun(formatAngle(sun.altitudeDeg), formatAngle(sun.azimuthDeg))}
        </p>
      )}
      {picture && here && <Here picture={picture} at={here} />}
      {picture ? (
        <Measured picture={picture} sun={sun} />
      ) : frame ? (
        <TieIt frame={frame} />
      ) : (
        <p className="text-soft">{groundText.selected.nothing}</p>
      )}
      {picture && ground.stations.length === 0 && (
        <p className="text-soft">{groundText.selected.nothing}</p>
      )}
    </>
  );
}

/** Adding, starting from a template, and the ways out. */
function Tools({
  ground,
  onAdded,
  onStart,
  svg,
}: {
  readonly ground: Ground;
  readonly onAdded: (key: string) => void;
  readonly onStart: (template: GroundTemplate) => void;
  readonly svg: () => SVGSVGElement | null;
}) {
  const file = useFile();
  const edit = useEdit();
  const { kinds } = groundText;
  const middle = { xM: round(ground.widthM / 2), yM: round(ground.heightM / 2) };
  const reachM = round(Math.min(ground.widthM, ground.heightM) / 6);
  const beside = (x: number, y = 0) => ({ xM: middle.xM + x * reachM, yM: middle.yM + y * reachM });
  const line = [beside(-1), beside(1)];
  const add = (thing: { kind: Thing['kind']; of: object }, name: string) => () => {
    const taken = new Set<string>(
      [ground.stations, ground.subjects, ground.obstacles, ground.closed].flatMap((list) =>
        list.map(({ id }) => id as string),
      ),
    );
    const id = freshId(name, taken);
    const isNamed = [...taken].filter((other) => other.startsWith(id.replace(/-\d+$/, ''))).length;
    const named = { ...thing.of, id, name: isNamed === 0 ? name : `${name} ${isNamed + 1}` };
    const added = { kind: thing.kind, of: named } as Thing;
    if (edit(putOnGround(added.kind, added.of))) onAdded(keyOf(added));
  };
  const item = (label: string, kind: Thing['kind'], of: object) => ({
    label,
    onSelect: add({ kind, of }, label),
  });
  return (
    <span className="flex gap-2 print:hidden">
      <Menu
        trigger={<Button look="strong">{t.add}</Button>}
        groups={[
          [item(kinds.stations, 'stations', newStation(beside(0, -1)))],
          [
            item(kinds.point, 'subjects', newSubject('point', [beside(0, 1)])),
            item(kinds.line, 'subjects', newSubject('line', line)),
            item(kinds.path, 'subjects', newSubject('path', line)),
          ],
          [
            item(kinds.wall, 'obstacles', newObstacle('wall', line)),
            item(kinds.people, 'obstacles', newObstacle('people', line)),
            item(kinds.pillar, 'obstacles', newObstacle('pillar', [middle])),
            item(kinds.tree, 'obstacles', newObstacle('tree', [middle])),
          ],
          [
            item(
              kinds.closed,
              'closed',
              newClosed([beside(-1, -1), beside(1, -1), beside(1, 1), beside(-1, 1)]),
            ),
          ],
        ]}
      />
      <Menu
        trigger={<Button>{t.startFrom}</Button>}
        groups={[
          GROUND_TEMPLATES.map((template) => ({
            label: groundText.templates[template],
            onSelect: () => onStart(template),
          })),
        ]}
      />
      <Menu
        trigger={<Button>{t.exportIt}</Button>}
        groups={[
          [
            {
              label: t.asSvg,
              hint: '.svg',
              onSelect: () => void withSvg(svg, (s) => exportSvg(file, s)),
            },
            {
              label: t.asPng,
              hint: '.png',
              onSelect: () => void withSvg(svg, (s) => void exportPng(file, s)),
            },
            { label: t.asGeoJson, hint: '.geojson', onSelect: () => exportGeoJson(file) },
          ],
          [{ label: t.print, onSelect: () => window.print() }],
        ]}
      />
    </span>
  );
}

function withSvg(svg: () => SVGSVGElement | null, write: (svg: SVGSVGElement) => void): void {
  const drawn = svg();
  if (drawn) write(drawn);
}

const round = (m: number) => Number(m.toFixed(2));

const isOnSheet = ({ widthM, heightM }: Ground, { xM, yM }: Point) =>
  xM >= 0 && yM >= 0 && xM <= widthM && yM <= heightM;

function panned({ times, middle }: Zoom, xM: number, yM: number): Zoom {
  return { times, middle: { xM: middle.xM - xM, yM: middle.yM + yM } };
}

function isOpenIn({ stations }: Ground, id: string, stretch: Stretch | null): boolean {
  const during = stations.find((s) => s.id === id)?.stretchIds ?? [];
  return stretch === null || during.length === 0 || during.some((s) => s === stretch.id);
}

function noteOf(
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

/** The height that most cameras on a plan have, to draw from where one may stand. */
function usualCameraM({ stations }: Ground): number {
  return stations[0]?.cameraM ?? 1.6;
}

/** Where the sun stands in the middle of a stretch; null without a day, times or a location. */
function sunIn(ground: Ground, stretch: Stretch | null): SunOverPlan | null {
  if (!stretch?.day || stretch.fromTime === null) return null;
  const from = minutesOf(stretch.fromTime);
  const to = stretch.toTime === null ? from : minutesOf(stretch.toTime);
  return sunOver(ground, stretch.day, (from + (to < from ? to + 24 * 60 : to)) / 2);
}

/** Shadows of what stands on the ground. */
function SunShadows({
  ground,
  sun,
  scale,
}: {
  readonly ground: Ground;
  readonly sun: SunOverPlan;
  readonly scale: Scale;
}) {
  const outlines = screensOf(ground.obstacles).flatMap(
    (screen) => sunShadowOf(screen, sun, ground.northDeg) ?? [],
  );
  const quads = Array.from({ length: outlines.length / 4 }, (_, i) =>
    outlines.slice(4 * i, 4 * i + 4),
  );
  return (
    <path
      d={quads.map((quad) => `${pathOf(quad, scale)}Z`).join('')}
      fill="var(--tone-3)"
      opacity={0.35}
      aria-hidden
    />
  );
}

/** From where the chosen picture is made, with what. */
function answerText(
  { frame, standing }: PictureOnPlan,
  { stations }: Ground,
  name: (id: string) => string,
): string {
  const a = groundText.answer;
  if (standing?.noStation === 'hidden') return a.hidden(frame.name);
  const places = stations.flatMap((station) => {
    const [cover] = coversFrom(standing, station.id);
    return cover ? [a.place(station.name, stackName(cover, name))] : [];
  });
  return places.length === 0 ? a.lost(frame.name) : a.from(frame.name, places.join(a.or));
}
