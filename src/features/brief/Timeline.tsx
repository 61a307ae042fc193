'use client';

import { useRef, useState } from 'react';
import { type Stretch, timeOf } from '@/core/brief';
import { putStretch } from '@/document';
import { useEdit, useFilePart } from '@/session';
import { briefText, dayText } from '@/text';
import { STEP_MIN, shifted, type Timed, type TimelineDay, timelineOf } from './timeline';

const t = briefText.timeline;

const LANE_PX = 50;
/** Movement that makes a press a drag, px. */
const DRAG_PX = 4;

/** The stretches by day and hour; a bar is dragged to move it, by its end to lengthen it. */
export function Timeline({
  onOpen,
  about,
}: {
  onOpen: (id: string) => void;
  about: (stretch: Stretch) => string;
}) {
  const days = timelineOf(useFilePart((file) => file.stretches));
  return days.map((day) => <Day key={day.day} day={day} onOpen={onOpen} about={about} />);
}

function Day({
  day,
  onOpen,
  about,
}: {
  day: TimelineDay;
  onOpen: (id: string) => void;
  about: (stretch: Stretch) => string;
}) {
  const box = useRef<HTMLDivElement>(null);
  const span = day.to - day.from;
  const at = (minutes: number) => `${(100 * (minutes - day.from)) / span}%`;
  const hours = Array.from({ length: span / 60 + 1 }, (_, i) => day.from + 60 * i);
  const every = Math.ceil(hours.length / 12);
  return (
    <div className="mb-2">
      {day.day && <p className="text-[12px] text-soft">{dayText(day.day)}</p>}
      <div
        ref={box}
        className="relative border-t border-ink"
        style={{ height: LANE_PX * day.lanes + 18 }}
      >
        {hours
          .filter((_, i) => i % every === 0 && i < hours.length - 1)
          .map((hour) => (
            <span
              key={hour}
              className="absolute inset-y-0 border-l border-hair pl-1 text-[11px] text-soft"
              style={{ left: at(hour) }}
            >
              {timeOf(hour)}
            </span>
          ))}
        {day.stretches.map((timed) => (
          <Bar
            key={timed.stretch.id}
            timed={timed}
            left={at(timed.from)}
            width={`${(100 * (timed.to - timed.from)) / span}%`}
            minutesPerPx={() => span / (box.current?.clientWidth || 1)}
            about={about(timed.stretch)}
            onOpen={() => onOpen(timed.stretch.id)}
          />
        ))}
      </div>
    </div>
  );
}

function Bar({
  timed,
  left,
  width,
  minutesPerPx,
  about,
  onOpen,
}: {
  timed: Timed;
  left: string;
  width: string;
  minutesPerPx: () => number;
  about: string;
  onOpen: () => void;
}) {
  const edit = useEdit();
  const { stretch } = timed;
  const [drag, setDrag] = useState<{ by: number; endOnly: boolean } | null>(null);
  const start = useRef<{ x: number; endOnly: boolean; moved: boolean } | null>(null);
  const put = (by: number, endOnly: boolean) =>
    edit(putStretch(shifted(timed, by, endOnly)), `${stretch.id}.time`);
  const shift = drag ? Math.round(drag.by / STEP_MIN) * STEP_MIN : 0;
  const shown = drag ? shifted(timed, drag.by, drag.endOnly) : stretch;
  return (
    <button
      type="button"
      aria-label={t.to(stretch.name, shown.fromTime ?? '', shown.toTime ?? '')}
      title={[`${stretch.name}, ${shown.fromTime}–${shown.toTime}`, about]
        .filter(Boolean)
        .join('; ')}
      className="absolute flex cursor-grab touch-none flex-col overflow-hidden border border-edge bg-sheet px-1.5 py-0.5 text-left leading-tight hover:bg-chosen"
      style={{
        left: drag && !drag.endOnly ? `calc(${left} + ${shift / minutesPerPx()}px)` : left,
        width: drag?.endOnly ? `calc(${width} + ${shift / minutesPerPx()}px)` : width,
        top: 16 + LANE_PX * timed.lane,
        height: LANE_PX - 6,
        minWidth: 24,
      }}
      onPointerDown={(event) => {
        const edge = event.currentTarget.getBoundingClientRect().right - event.clientX < 8;
        start.current = { x: event.clientX, endOnly: edge, moved: false };
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onPointerMove={(event) => {
        const from = start.current;
        if (!from) return;
        const px = event.clientX - from.x;
        if (!from.moved && Math.abs(px) < DRAG_PX) return;
        from.moved = true;
        setDrag({ by: px * minutesPerPx(), endOnly: from.endOnly });
      }}
      onPointerUp={() => {
        const from = start.current;
        start.current = null;
        setDrag(null);
        if (from?.moved && drag) put(drag.by, drag.endOnly);
        else onOpen();
      }}
      onPointerCancel={() => {
        start.current = null;
        setDrag(null);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault();
          return onOpen();
        }
        const by = { ArrowLeft: -STEP_MIN, ArrowRight: STEP_MIN }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        put(by, event.shiftKey);
      }}
    >
      <span className="truncate text-[13px] font-semibold">{stretch.name}</span>
      <span className="truncate text-[11px] text-soft">
        {shown.fromTime}–{shown.toTime}
        {about === '' ? '' : `, ${about}`}
      </span>
      <span className="absolute inset-y-0 right-0 w-2 cursor-ew-resize border-r-2 border-edge" />
    </button>
  );
}
