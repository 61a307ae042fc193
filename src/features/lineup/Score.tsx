'use client';

import { type CSSProperties, type RefObject, useEffect, useMemo, useRef, useState } from 'react';
import { setupOfStack } from '@/core/gear';
import type { LineupResult } from '@/core/lineup';
import { setLock } from '@/document';
import { useEdit, useFile } from '@/session';
import { Button } from '@/ui';
import { LockButtons } from './LockButtons';
import { angleTicks } from '@/parts';
import { Photo } from '@/parts/scene';
import { formatAngle, lineupText, namesOf, stackName } from '@/text';
import {
  placeOf,
  type Score as Drawn,
  USUAL_PX,
  type ScoreLine,
  type ScoreNote,
  scoreOf,
} from '@/parts/score';

const t = lineupText.score;

/** Height of a line with one row of dots, and of each further row, px. */
const LINE = 46;
const STEP = 25;
/** How high the band's upper edge and the lowest dots' foot stand over the line, px. */
const BAND = 15;
const FOOT = 20;
const at = (percent: number): CSSProperties => ({ left: `${percent}%` });
const span = (from: number, to: number): CSSProperties => ({
  left: `${from}%`,
  width: `${Math.max(0.6, to - from)}%`,
});

interface Pointed {
  readonly lensId: string;
  readonly frameId: string;
}

/** The lineup as a score: a line a lens, a note a picture; pointing at a note shows what it is. */
export function Score({ result }: { result: LineupResult }) {
  const file = useFile();
  const [axis, width] = useWidth();
  const score = useMemo(() => scoreOf(result, file, width), [result, file, width]);
  const [pointed, point] = useState<Pointed | null>(null);
  if (score.lines.length === 0) return null;
  const notes = score.lines.flatMap((l) => l.notes.map((note) => ({ lensId: l.lensId, note })));
  const note = (
    notes.find((n) => n.lensId === pointed?.lensId && n.note.frameId === pointed.frameId) ??
    // Until one is pointed at, the first that needs its lens.
    notes.find((n) => n.note.isOnly) ??
    notes[0]
  )?.note;
  return (
    <section aria-label={t.score} data-testid="score">
      <div className="grid grid-cols-[minmax(6rem,11rem)_minmax(0,1fr)_auto] items-stretch gap-x-3 max-sm:grid-cols-1">
        <Axis score={score} box={axis} width={width} />
        {score.lines.map((l) => (
          <Line key={l.lensId} score={score} line={l} pointed={pointed} onPoint={point} />
        ))}
        <LeftOut />
      </div>
      <div className="mt-2 grid gap-x-8 gap-y-2 sm:grid-cols-2">
        <div
          className={`sm:min-h-24 ${pointed === null ? 'max-sm:hidden print:hidden' : ''}`}
          aria-live="polite"
        >
          {note && <Shown note={note} />}
        </div>
        <p className="text-[13px] text-soft">{t.legend}</p>
      </div>
    </section>
  );
}

/** How wide something is on the page, px; undefined until it stands there. */
function useWidth() {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState<number>();
  useEffect(() => {
    if (box.current === null) return;
    const sizes = new ResizeObserver(([entry]) => {
      // A step at a time, so that dragging a window's edge doesn't lay it out at each pixel.
      if (entry && entry.contentRect.width > 0)
        setWidth(Math.floor(entry.contentRect.width / 20) * 20);
    });
    sizes.observe(box.current);
    return () => sizes.disconnect();
  }, []);
  return [box, width] as const;
}

/** Focal lengths on the 36×24 mm frame, with the angles over them: Reach's axis. */
function Axis({
  score,
  box,
  width = USUAL_PX,
}: {
  score: Drawn;
  box: RefObject<HTMLDivElement | null>;
  width: number | undefined;
}) {
  const { focals, angles } = angleTicks(score.fromMm, score.toMm, width);
  return (
    <>
      <span className="self-end text-[11px] text-soft max-sm:hidden">{t.axis}</span>
      <div ref={box} aria-hidden className="relative h-8 border-b border-ink text-[11px] text-soft">
        {angles.map((deg) => (
          <span
            key={`a${deg.deg}`}
            className="absolute top-0 -translate-x-1/2 whitespace-nowrap"
            style={at(placeOf(score, deg.mm))}
          >
            {formatAngle(deg.deg)}
          </span>
        ))}
        {focals.map((mm) => (
          <span
            key={mm}
            className="absolute bottom-0 -translate-x-1/2 whitespace-nowrap"
            style={at(placeOf(score, mm))}
          >
            {mm}
          </span>
        ))}
      </div>
      <span className="max-sm:hidden" />
    </>
  );
}

interface LineProps {
  readonly score: Drawn;
  readonly line: ScoreLine;
  readonly pointed: Pointed | null;
  readonly onPoint: (pointed: Pointed | null) => void;
}

function Line({ score, line, pointed, onPoint }: LineProps) {
  const file = useFile();
  const name = namesOf(file);
  const { lensId, bare, converted, cropped, notes } = line;
  const rows = Math.max(0, ...notes.map((n) => n.level));
  const place = (mm: number) => placeOf(score, mm);
  const height = LINE + STEP * rows;
  return (
    <div className="contents max-sm:grid max-sm:grid-cols-[1fr_auto]">
      <span className="self-end pb-1 font-semibold text-got">{name(lensId)}</span>
      <div
        className="relative border-b border-hair max-sm:col-span-2 max-sm:row-start-2"
        style={{ height }}
        data-line={lensId}
      >
        <span
          className="absolute bottom-2 h-2 bg-got motion-safe:transition-all motion-safe:duration-500"
          style={span(place(bare.fromMm), place(bare.toMm))}
        />
        {converted && (
          <span
            className="absolute bottom-2 h-2 border-2 border-dashed border-got motion-safe:transition-all motion-safe:duration-500"
            style={span(place(Math.max(bare.toMm, converted.fromMm)), place(converted.toMm))}
          />
        )}
        {cropped && (
          <span
            className="absolute bottom-2.5 h-1 border-b-2 border-dotted border-got motion-safe:transition-all motion-safe:duration-500"
            style={span(place(cropped.fromMm), place(cropped.toMm))}
          />
        )}
        <Stems notes={notes} place={place} height={height} />
        {notes.map((note) => (
          <Note
            key={note.frameId}
            note={note}
            isPointed={pointed?.lensId === lensId && pointed.frameId === note.frameId}
            label={t.note(
              name(note.frameId),
              name(lensId),
              note.isOnly,
              note.isProof,
              note.cover.code === 'part',
            )}
            number={1 + file.frames.findIndex((f) => f.id === note.frameId)}
            onPoint={() => onPoint({ lensId, frameId: note.frameId })}
          />
        ))}
      </div>
      <span className="self-end pb-0.5 print:hidden">
        <LockButtons id={lensId} name={name(lensId)} />
      </span>
    </div>
  );
}

/** From each dot down to the focal length that its picture is taken at. */
function Stems({
  notes,
  place,
  height,
}: {
  readonly notes: readonly ScoreNote[];
  readonly place: (mm: number) => number;
  readonly height: number;
}) {
  return (
    <svg
      aria-hidden
      className="absolute inset-0 size-full"
      viewBox={`0 0 100 ${height}`}
      preserveAspectRatio="none"
    >
      {notes.map((n) => (
        <path
          key={n.frameId}
          d={`M${n.shownAt} ${height - FOOT - STEP * n.level}L${place(n.equivalentMm)} ${height - BAND}`}
          stroke="var(--got)"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}

interface NoteProps {
  readonly note: ScoreNote;
  readonly isPointed: boolean;
  readonly label: string;
  readonly number: number;
  readonly onPoint: () => void;
}

/** Filled where only this lens can, open where another can too, half high where it makes a part; ringed in the proof. */
function Note({ note, isPointed, label, number, onPoint }: NoteProps) {
  const look = note.isOnly ? 'bg-got text-sheet' : 'bg-sheet text-ink';
  const ring = note.isProof ? 'outline-2 outline-offset-1 outline-ink outline-double' : '';
  const part = note.cover.code === 'part' ? 'border-dashed' : '';
  return (
    <button
      type="button"
      aria-label={label}
      aria-pressed={isPointed}
      onPointerEnter={onPoint}
      onFocus={onPoint}
      onClick={onPoint}
      className={`absolute flex size-[24px] -translate-x-1/2 items-center justify-center motion-safe:transition-all motion-safe:duration-500 ${isPointed ? 'z-10 scale-125' : ''}`}
      style={{ ...at(note.shownAt), bottom: FOOT + STEP * note.level }}
      data-only={note.isOnly}
      data-proof={note.isProof}
    >
      <span
        className={`size-4.5 rounded-full border-2 border-got text-center text-[10px] leading-3 ${look} ${ring} ${part}`}
      >
        {number}
      </span>
    </button>
  );
}

/** Lenses that were left out by hand, to be taken again. */
function LeftOut() {
  const { limits, shelf } = useFile();
  const edit = useEdit();
  const out = new Set<string>(limits.lockedOut);
  return shelf.lenses
    .filter((lens) => out.has(lens.id))
    .map((lens) => (
      <div
        key={lens.id}
        className="col-span-full flex items-center justify-between text-soft print:hidden"
      >
        <span>{t.isLeftOut(lens.name)}</span>
        <Button
          look="quiet"
          aria-label={t.take(lens.name)}
          onClick={() => edit(setLock(lens.id, 'free'))}
        >
          {t.takeAgain}
        </Button>
      </div>
    ));
}

/** The picture of a note with its verdict. */
function Shown({ note: { frameId, cover, isOnly, isProof } }: { note: ScoreNote }) {
  const file = useFile();
  const name = namesOf(file);
  const frame = file.frames.find((f) => f.id === frameId);
  const setup = setupOfStack(file.shelf, cover);
  if (!frame) return null;
  return (
    <div className="flex items-start gap-4">
      {setup && (
        <Photo frame={frame} setup={setup} limits={file.limits} className="w-36 shrink-0" />
      )}
      <p>
        <b className="block">{frame.name}</b>
        {t.by(stackName(cover, name), name(cover.bodyId))}
        <span className="block text-soft">{t.verdict(cover.code, isOnly, isProof)}</span>
      </p>
    </div>
  );
}
