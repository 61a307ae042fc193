'use client';

import { Plus, Trash2, X } from 'lucide-react';
import type { Ground, Point } from '@/core/ground';
import { isRound, WIDEST_SHEET_M } from '@/core/ground';
import { tieFrame } from '@/document';
import { useEdit, useFile } from '@/session';
import { groundText } from '@/text';
import { Button, CellNumber, IconButton, TextField, Tick } from '@/ui';
import { fewestPoints, isAtPoint, pointsOf, type Thing, withPoints } from './things';

const t = groundText.selected;

interface SelectedProps {
  readonly thing: Thing;
  readonly onPut: (thing: Thing) => void;
  readonly onRemove: (thing: Thing) => void;
  readonly onDone: () => void;
}

/** Everything about what is selected on the plan, to be typed. */
export function Selected({ thing, onPut, onRemove, onDone }: SelectedProps) {
  const put = (change: object) => onPut({ ...thing, of: { ...thing.of, ...change } } as Thing);
  const kind = thing.kind === 'stations' || thing.kind === 'closed' ? thing.kind : thing.of.kind;
  return (
    <section aria-label={thing.of.name} className="space-y-2">
      <div className="flex items-center justify-between">
        <h2 className="text-[13px] text-soft">{groundText.kinds[kind]}</h2>
        <span className="flex">
          <IconButton label={t.remove} onClick={() => onRemove(thing)}>
            <Trash2 size={15} aria-hidden />
          </IconButton>
          <IconButton label={t.done} onClick={onDone}>
            <X size={15} aria-hidden />
          </IconButton>
        </span>
      </div>
      <TextField
        label={t.name}
        value={thing.of.name}
        onChange={(name) => name.trim() !== '' && put({ name })}
      />
      <Heights thing={thing} put={put} />
      <Points thing={thing} onPut={onPut} />
      {thing.kind === 'stations' && <OpenTo of={thing.of} put={put} />}
      {thing.kind === 'subjects' && <Pictures of={thing.of} />}
    </section>
  );
}

const inRange =
  (from: number, to: number, wrong: string, take: (value: number) => void) =>
  (value: number | null): string | null => {
    if (value === null || !(value >= from && value <= to)) return wrong;
    take(value);
    return null;
  };

/** Heights above the ground, and how broad what is round is. */
function Heights({
  thing,
  put,
}: {
  readonly thing: Thing;
  readonly put: (change: object) => void;
}) {
  const height = (label: string, value: number, field: string) => (
    <p className="flex items-center justify-between gap-2">
      <span className="text-[12px] text-soft">{label}</span>
      <CellNumber
        label={label}
        unit="m"
        value={value}
        take={inRange(-500, 1000, t.heightRange, (m) => put({ [field]: m }))}
      />
    </p>
  );
  if (thing.kind === 'stations') return height(t.cameraHeight, thing.of.cameraM, 'cameraM');
  if (thing.kind === 'subjects') return height(t.middleHeight, thing.of.middleM, 'middleM');
  if (thing.kind === 'closed') return null;
  return (
    <>
      {height(t.top, thing.of.topM, 'topM')}
      {isRound(thing.of.kind) && (
        <p className="flex items-center justify-between gap-2">
          <span className="text-[12px] text-soft">{t.across}</span>
          <CellNumber
            label={t.across}
            unit="m"
            value={thing.of.acrossM}
            take={inRange(0.01, WIDEST_SHEET_M, t.lengthRange, (acrossM) => put({ acrossM }))}
          />
        </p>
      )}
    </>
  );
}

/** Where it is, point by point. */
export function Points({
  thing,
  onPut,
  of = '',
}: {
  readonly thing: Thing;
  readonly onPut: (thing: Thing) => void;
  /** Said before each figure where several things stand together. */
  readonly of?: string;
}) {
  const points = pointsOf(thing);
  const take = (index: number, change: Partial<Point>) =>
    onPut(
      withPoints(
        thing,
        points.map((p, i) => (i === index ? { ...p, ...change } : p)),
      ),
    );
  const within = (to: (value: number) => void) =>
    inRange(-WIDEST_SHEET_M, WIDEST_SHEET_M, t.placeRange, to);
  return (
    <div className="space-y-1">
      {points.map((p, i) => (
        <p key={i} className="flex items-center justify-end gap-2">
          <span aria-hidden>→</span>
          <CellNumber
            label={`${of} ${t.right(i + 1, points.length)}`.trim()}
            unit="m"
            width="w-16"
            value={p.xM}
            take={within((xM) => take(i, { xM }))}
          />
          <span aria-hidden>↑</span>
          <CellNumber
            label={`${of} ${t.up(i + 1, points.length)}`.trim()}
            unit="m"
            width="w-16"
            value={p.yM}
            take={within((yM) => take(i, { yM }))}
          />
          {points.length > fewestPoints(thing) && (
            <IconButton
              label={`${of} ${t.removePoint(i + 1)}`.trim()}
              onClick={() =>
                onPut(
                  withPoints(
                    thing,
                    points.filter((_, j) => j !== i),
                  ),
                )
              }
            >
              <X size={13} aria-hidden />
            </IconButton>
          )}
        </p>
      ))}
      {!isAtPoint(thing) && (
        <Button onClick={() => onPut(withPoints(thing, [...points, beyond(points)]))}>
          <Plus size={14} aria-hidden />
          {t.addPoint}
        </Button>
      )}
    </div>
  );
}

/** As far beyond the last point as that is from the one before. */
function beyond(points: readonly Point[]): Point {
  const [before, last] = [points.at(-2), points.at(-1)];
  if (!before || !last) return { xM: 0, yM: 0 };
  return { xM: 2 * last.xM - before.xM, yM: 2 * last.yM - before.yM };
}

const toggled = (ids: readonly string[], id: string, on: boolean) =>
  on ? [...ids, id] : ids.filter((other) => other !== id);

/** Who may stand at a station, and when. */
function OpenTo({
  of,
  put,
}: {
  readonly of: Ground['stations'][number];
  readonly put: (change: object) => void;
}) {
  const { outing, stretches } = useFile();
  return (
    <>
      {outing.shooters.length > 0 && (
        <fieldset>
          <legend className="text-[12px] text-soft">{t.who}</legend>
          {outing.shooters.map((s) => (
            <Tick
              key={s.id}
              label={s.name}
              on={of.shooterIds.includes(s.id)}
              onChange={(on) => put({ shooterIds: toggled(of.shooterIds, s.id, on) })}
            />
          ))}
        </fieldset>
      )}
      {stretches.length > 0 && (
        <fieldset>
          <legend className="text-[12px] text-soft">{t.when}</legend>
          {stretches.map((s) => (
            <Tick
              key={s.id}
              label={s.name}
              on={of.stretchIds.includes(s.id)}
              onChange={(on) => put({ stretchIds: toggled(of.stretchIds, s.id, on) })}
            />
          ))}
        </fieldset>
      )}
    </>
  );
}

/** Which pictures are of a subject. */
function Pictures({ of }: { readonly of: Ground['subjects'][number] }) {
  const { frames, ground } = useFile();
  const edit = useEdit();
  const elsewhere = (id: string) =>
    ground.subjects.find((s) => s.id !== of.id && s.frameIds.some((f) => f === id))?.name;
  return (
    <fieldset>
      <legend className="text-[12px] text-soft">{t.pictures}</legend>
      {frames
        .filter((f) => f.need.kind === 'subject')
        .map((f) => {
          const other = elsewhere(f.id);
          return (
            <Tick
              key={f.id}
              label={other === undefined ? f.name : t.pictureElsewhere(f.name, other)}
              on={of.frameIds.includes(f.id)}
              onChange={(on) => edit(tieFrame(f.id, on ? of.id : null))}
            />
          );
        })}
    </fieldset>
  );
}
