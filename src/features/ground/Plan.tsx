'use client';

import { useMemo, useState } from 'react';
import { type Ground, type Point, screensOf } from '@/core/ground';
import { type GroundTemplate, removeFromGround, USUAL_CAMERA_M } from '@/document';
import { useAnswer, useEdit, useFile, useHistory, useSelection } from '@/session';
import { counted, groundText, namesOf } from '@/text';
import { notify, useSize } from '@/ui';
import { answerText } from './answerText';
import { Bands } from './Bands';
import { Choosers, NO_PICTURE } from './Choosers';
import { Chosen } from './Chosen';
import { GroundTable } from './GroundTable';
import { HereMark } from './Here';
import { PlanView } from './PlanView';
import { isOnSheet, panned, scaleOf, wholeOf, type Zoom } from './scale';
import { Selected } from './Selected';
import { Sheet } from './Sheet';
import { SightLines } from './SightLines';
import { holdersOf, isOpenIn, noteOf } from './StretchStand';
import { stretchNow } from './stretchOn';
import { SunArrow, SunShadows } from './SunShadows';
import { keyOf, type Thing, thingAt } from './things';
import { Tools } from './Tools';
import { type KnownLength, KnownLine, UnderlayFields } from './Underlay';
import { usePicture } from './usePicture';
import { useSun } from './useSun';
import { aimOf, TrueSize, Wedges } from './Wedges';
import { ZoomButtons } from './ZoomButtons';

const t = groundText.page;

/** In the address: every stretch, rather than the one that is on. */
const EVERY_STRETCH = 'all';

interface PlanProps {
  readonly onStart: (template: GroundTemplate) => void;
  readonly onPut: (thing: Thing) => void;
  readonly onDrag: (thing: Thing) => void;
  readonly onDrop: (thing: Thing) => void;
}

/** The plan with what is measured on it, and everything that changes it. */
export function Plan({ onStart, onPut, onDrag, onDrop }: PlanProps) {
  const file = useFile();
  const { ground } = file;
  const edit = useEdit();
  const { undo } = useHistory();
  const { result } = useAnswer();
  const [selected, select] = useSelection('at');
  const [frameKey, setFrame] = useSelection('frame');
  const [stretchKey, setStretch] = useSelection('stretch');
  const [on] = useState(() => stretchNow(file.stretches, new Date())?.id ?? null);
  // On the day, the stretch that is on stands there by itself.
  const stretchId = stretchKey === EVERY_STRETCH ? null : (stretchKey ?? on);
  const [lensId, setLens] = useSelection('lens');
  const [zoom, setZoom] = useState<Zoom | null>(null);
  const [here, setHere] = useState<Point | null>(null);
  const [known, setKnown] = useState<KnownLength | null>(null);
  const [asTable, setAsTable] = useState(false);
  const [box, size] = useSize();
  const tied = ground.subjects.flatMap((s) => s.frameIds);
  const frameId = frameKey === NO_PICTURE ? null : (frameKey ?? tied[0] ?? null);
  const isOfLineup = result?.lineup.lensIds.some((id) => id === lensId) ?? false;
  const picture = usePicture(
    frameId,
    lensId === 'all' ? 'all' : isOfLineup && lensId !== null ? { id: lensId } : 'best',
  );
  const frame = file.frames.find((f) => f.id === frameId);
  const stretch = file.stretches.find((s) => s.id === stretchId) ?? null;
  const sun = useSun(ground, stretch);
  const thing = thingAt(ground, selected);
  const openStations = ground.stations.filter((s) => isOpenIn(ground, s.id, stretch));
  const { scale, shown } = useScale(ground, size, zoom);
  const remove = (gone: Thing) => {
    edit(removeFromGround(gone.kind, gone.of.id));
    select(null);
    notify(groundText.selected.removed(gone.of.name), {
      action: { label: t.undo, onClick: undo },
    });
  };
  const svg = () => box.current?.querySelector('svg') ?? null;
  return (
    <div className="grid gap-x-8 gap-y-4 pt-3 lg:grid-cols-[minmax(0,1fr)_19rem] print:hidden">
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
        <Choosers
          {...{ frameId, lensId, stretchId }}
          onFrame={setFrame}
          onLens={setLens}
          onStretch={(id) => setStretch(id ?? (on === null ? null : EVERY_STRETCH))}
        />
        <div
          ref={box}
          className="relative max-h-[64vh] min-h-56 w-full overflow-hidden border border-hair lg:min-h-96"
          style={{ aspectRatio: `${ground.widthM + 1} / ${ground.heightM + 1}` }}
        >
          <PlanView
            selected={selected}
            onSelect={select}
            onPlace={(place) => setHere(isOnSheet(ground, place) ? place : null)}
            onDrag={onDrag}
            onMove={onDrop}
            onRemove={remove}
            onPan={(dx, dy) =>
              setZoom((before) =>
                panned(before ?? wholeOf(ground), dx / scale.perM, dy / scale.perM),
              )
            }
            label={t.planOf(
              counted(ground.stations.length, 'station'),
              counted(ground.subjects.length, 'subject'),
            )}
            drawing={{
              ...{ ground, scale, size },
              aim: picture && aimOf(picture.subject),
              isOpen: (id) => isOpenIn(ground, id, stretch),
              noteOf: noteOf(file.outing.shooters, holdersOf(result, stretchId)),
              beneath: (
                <>
                  {sun && <SunShadows {...{ ground, sun: sun.now, scale }} />}
                  {picture && (
                    <Bands
                      picture={picture}
                      scale={scale}
                      cameraM={
                        thing?.kind === 'stations'
                          ? thing.of.cameraM
                          : (ground.stations[0]?.cameraM ?? USUAL_CAMERA_M)
                      }
                      screens={screensOf(ground.obstacles)}
                      closed={ground.closed}
                      sheet={ground}
                    />
                  )}
                  {picture && <Wedges picture={picture} stations={openStations} scale={scale} />}
                </>
              ),
              over: (
                <>
                  {sun && <SunArrow {...{ sun: sun.now, size }} northDeg={ground.northDeg} />}
                  {known && <KnownLine known={known} onKnown={setKnown} scale={scale} />}
                  {here && <HereMark at={here} scale={scale} />}
                  {picture && (
                    <SightLines picture={picture} stations={openStations} scale={scale} />
                  )}
                  {picture && ground.stations[0] && (
                    <TrueSize picture={picture} from={ground.stations[0].at} scale={scale} />
                  )}
                </>
              ),
            }}
          />
          <ZoomButtons zoom={shown} onZoom={setZoom} />
        </div>
        <p className="text-[12px] text-soft">
          {t.legend} {t.dragging}
        </p>
        <details open={asTable} onToggle={(event) => setAsTable(event.currentTarget.open)}>
          <summary className="cursor-pointer">{t.asTable}</summary>
          {asTable && (
            <div className="overflow-x-auto" tabIndex={0}>
              <GroundTable ground={ground} onPut={onPut} />
            </div>
          )}
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
            onPut={onPut}
            onRemove={remove}
            onDone={() => select(null)}
          />
        )}
        <Chosen picture={picture} frameId={frameId} sun={sun} stretch={stretch} here={here} />
        {!thing && <Sheet ground={ground} />}
        {!thing && <UnderlayFields ground={ground} known={known} onKnown={setKnown} />}
      </aside>
    </div>
  );
}

/** How the plan lies on the screen: one object as long as nothing about it changes. */
function useScale(
  { widthM, heightM }: Ground,
  size: { readonly width: number; readonly height: number },
  zoom: Zoom | null,
) {
  return useMemo(() => {
    const sheet = { widthM, heightM };
    const shown = zoom ?? wholeOf(sheet);
    return { shown, scale: scaleOf(sheet, size, shown) };
  }, [widthM, heightM, size, zoom]);
}
