'use client';

import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import {
  deviceKey,
  lensKey,
  type Log,
  MOST_CLOCK_S,
  namelessIn,
  NO_NAME,
  recognised,
} from '@/core/log';
import type { BodyId, LensId } from '@/core/gear';
import { download, useKnownGear, usePhotographs } from '@/session';
import { Button, IconButton, notify, NumberField, SelectField } from '@/ui';
import { dayText, logText } from '@/text';
import { AddPhotographs } from './AddPhotographs';
import { NamelessLenses } from './NamelessLenses';
import { cameraName, lensSeenName } from './names';
import type { LogWork } from './useLogWork';
import { DAY_MS } from '@/core/units';

const t = logText.manage;

/** Bringing photographs in and out, their clocks, and what the cameras and lenses are. */
export function Manage({ work }: { work: LogWork }) {
  return (
    <div className="space-y-8">
      <AddPhotographs keeper={work.keeper} />
      <Kept work={work} />
      <Devices work={work} />
    </div>
  );
}

type By = 'folder' | 'day' | 'camera';

/** Photographs of a part of the log. */
interface Part {
  readonly key: number | string;
  readonly name: string;
  readonly count: number;
}

/** A number that is alike for photographs of one part. */
function partOf(log: Log, by: By, i: number): number {
  if (by === 'folder') return log.lists.folder[i] ?? 0;
  if (by === 'camera') return log.lists.camera[i] ?? 0;
  const ms = log.takenMs[i] ?? NaN;
  return Number.isNaN(ms) ? NO_DAY : Math.floor(ms / DAY_MS);
}
const NO_DAY = -1_000_000;

function partsOf(log: Log, by: By): Part[] {
  const counts = new Map<number, number>();
  for (let i = 0; i < log.count; i += 1) {
    const key = partOf(log, by, i);
    counts.set(key, (counts.get(key) ?? 0) + 1);
  }
  const nameOf = (key: number): string => {
    if (by === 'folder') return log.folders[key] || t.topFolder;
    if (by === 'camera') return cameraName(log, key);
    return key === NO_DAY ? t.noTime : dayText(new Date(key * DAY_MS).toISOString().slice(0, 10));
  };
  return [...counts]
    .sort(([a], [b]) => a - b)
    .map(([key, count]) => ({ key, count, name: nameOf(key) }));
}

function Kept({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const [by, setBy] = useState<By>('folder');
  const parts = useMemo(() => partsOf(log, by), [log, by]);
  const remove = async ({ key, count }: Part) => {
    const back = await work.keeper.keepOnly((i) => partOf(log, by, i) !== key);
    notify(t.removed(count), { action: { label: t.undo, onClick: () => void back() } });
  };
  const save = async () => {
    const { writePhotoTable } = await import('@/document/formats/photoTable');
    download('photographs.csv', writePhotoTable(log), 'text/csv');
  };
  return (
    <section aria-labelledby="kept" className="space-y-2">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h2 id="kept" className="text-lg">
          {t.title}
        </h2>
        <span className="flex items-end gap-3">
          <SelectField
            label={t.by}
            value={by}
            options={[
              ['folder', t.folder],
              ['day', t.day],
              ['camera', t.camera],
            ]}
            onChange={setBy}
          />
          <Button onClick={() => void save()}>{t.exportTable}</Button>
        </span>
      </div>
      <ul className="max-h-80 overflow-auto" tabIndex={0} aria-label={t.title}>
        {parts.map((part) => (
          <li key={part.key} className="flex items-center gap-3 border-b border-hair">
            <span className="grow">{part.name}</span>
            <span className="text-soft tabular-nums">{t.count(part.count)}</span>
            <IconButton label={t.remove(part.name)} onClick={() => void remove(part)}>
              <Trash2 size={14} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
    </section>
  );
}

const UNSAID = 'unsaid';
const NONE = 'none';

/** The clocks of cameras, and which things of the shelf cameras and lenses are. */
function Devices({ work }: { work: LogWork }) {
  const { log, marks } = usePhotographs(work.keeper);
  const shelf = useKnownGear();
  const { keeper } = work;
  const found = useMemo(
    () => recognised(log, shelf, { ...marks, bodies: {}, lenses: {} }),
    [log, shelf, marks],
  );
  const nameless = useMemo(() => namelessIn(log), [log]);
  const options = (
    items: readonly { readonly id: string; readonly name: string }[],
    id: string | null,
  ) => [
    [UNSAID, id === null ? t.none : t.found(items.find((i) => i.id === id)?.name ?? '')] as const,
    ...items.map((item) => [item.id, item.name] as const),
    [NONE, logText.gear.notMine] as const,
  ];
  const shown = (mark: string | null | undefined) => (mark === undefined ? UNSAID : (mark ?? NONE));
  const put = (kind: 'bodies' | 'lenses', key: string, value: string) =>
    void keeper.mark((m) => {
      const others = Object.entries(m[kind]).filter(([known]) => known !== key);
      const said = value === UNSAID ? [] : [[key, value === NONE ? null : value] as const];
      const next = Object.fromEntries([...others, ...said]);
      return { ...m, [kind]: next as Record<string, (BodyId & LensId) | null> };
    });
  return (
    <section aria-labelledby="devices" className="space-y-3">
      <h2 id="devices" className="text-lg">
        {t.gear}
      </h2>
      <div className="grid max-w-4xl gap-x-6 gap-y-3 sm:grid-cols-2">
        {log.cameras.map((camera, i) => {
          const [key, name] = [deviceKey(camera), cameraName(log, i)];
          return (
            <div key={key} className="contents">
              <SelectField
                label={t.isOnShelf(name)}
                value={shown(marks.bodies[key])}
                options={options(shelf.bodies, found.bodyIds[i] ?? null)}
                onChange={(value) => put('bodies', key, value)}
              />
              <NumberField
                label={t.clockOf(name)}
                unit={t.seconds}
                value={marks.clocks[key] ?? 0}
                onChange={(seconds) => {
                  if (seconds === null || Math.abs(seconds) > MOST_CLOCK_S || Number.isNaN(seconds))
                    return;
                  void keeper.mark((m) => ({ ...m, clocks: { ...m.clocks, [key]: seconds } }));
                }}
              />
            </div>
          );
        })}
        {log.lenses.map((lens, i) => {
          const key = lensKey(lens);
          if (key === NO_NAME) return null;
          return (
            <SelectField
              key={key}
              label={t.isOnShelf(lensSeenName(log, i))}
              value={shown(marks.lenses[key])}
              options={options(shelf.lenses, found.lensIds[i] ?? null)}
              onChange={(value) => put('lenses', key, value)}
            />
          );
        })}
      </div>
      {nameless.map((of) => (
        <NamelessLenses key={of.camera} work={work} of={of} />
      ))}
    </section>
  );
}
