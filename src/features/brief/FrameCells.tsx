'use client';

import Link from 'next/link';
import { type Frame, frame as frameSchema, type Need } from '@/core/brief';
import { putFrame, TELLING } from '@/document';
import { useEdit, useFileNow } from '@/session';
import { CellNumber, CellSelect, CellText } from '@/ui';
import {
  briefFormText,
  firstProblemText,
  formatDistances,
  FOOTINGS,
  needText,
  WANTS,
} from '@/text';

const t = briefFormText.frameCells;

const PERCENT = 100;

/** The ends of what a need is given along, by kind; the others are changed in the editor. */
const ENDS = {
  subject: { from: 'fromM', to: 'toM', unit: 'm', near: t.nearest, far: t.farthest },
  focal: { from: 'fromMm', to: 'toMm', unit: 'mm', near: t.shortest, far: t.longest },
  angle: { from: 'fromDeg', to: 'toDeg', unit: '°', near: t.widest, far: t.narrowest },
} as const;

/**
 * Changes a frame where the whole of it stays valid, else says what is wrong. The list may lag
 * behind what was typed last, so the change is made to the frame as it is now.
 */
function useFrameEdit({ id }: Frame) {
  const edit = useEdit();
  const fileNow = useFileNow();
  return (field: string, change: (now: Frame) => Partial<Frame>): string | null => {
    const now = fileNow().frames.find((f) => f.id === id);
    const changed = frameSchema.safeParse(now && { ...now, ...change(now) }, TELLING);
    if (!changed.success) return firstProblemText(changed.error);
    edit(putFrame(changed.data), `${id}.${field}`);
    return null;
  };
}

/** The name of a frame, from how far, how large and on what footing, changed in the list. */
export function FrameCells({ frame }: { frame: Frame }) {
  const put = useFrameEdit(frame);
  const { need, name } = frame;
  return (
    <div className="space-y-1">
      <CellText
        label={t.name(name)}
        value={name}
        take={(to) => put('name', () => ({ name: to }))}
      />
      {need.kind === 'far' || need.kind === 'fisheye' ? (
        <p className="text-[13px] text-soft">{needText(need)}</p>
      ) : (
        <p className="flex flex-wrap items-center gap-x-1.5 gap-y-1 text-[13px]">
          <EndCells frame={frame} need={need} />
          {need.kind === 'subject' && <FillCells frame={frame} need={need} />}
          <CellSelect
            label={t.position(name)}
            value={need.footing}
            options={FOOTINGS}
            take={(footing) =>
              put('footing', (now) => ({ need: { ...now.need, footing } as Need }))
            }
          />
        </p>
      )}
    </div>
  );
}

function EndCells({
  frame,
  need,
}: {
  frame: Frame;
  need: Extract<Need, { kind: keyof typeof ENDS }>;
}) {
  const put = useFrameEdit(frame);
  const { from, to, unit, near, far } = ENDS[need.kind];
  if (need.kind === 'subject' && frame.standpoints.length > 0)
    return (
      <Link href={`/ground?frame=${frame.id}`} className="underline">
        {t.measured(formatDistances(need.fromM, need.toM))}
      </Link>
    );
  const ends = need as unknown as Readonly<Record<string, number>>;
  const end = (field: typeof from | typeof to, label: string) => (
    <CellNumber
      label={t.inIt(label, unit, frame.name)}
      width="w-14"
      value={ends[field] ?? null}
      unit={unit}
      take={(value) => put(field, (now) => ({ need: { ...now.need, [field]: value } as Need }))}
    />
  );
  return (
    <>
      {end(from, near)}
      <span>{t.to}</span>
      {end(to, far)}
    </>
  );
}

function FillCells({ frame, need }: { frame: Frame; need: Extract<Need, { kind: 'subject' }> }) {
  const put = useFrameEdit(frame);
  const fill = (field: 'min' | 'max', label: string) => (
    <CellNumber
      label={t.inIt2(label, frame.name)}
      width="w-11"
      unit="%"
      value={Number((PERCENT * need.fill[field]).toPrecision(12))}
      take={(value) =>
        put(`fill.${field}`, ({ need: now }) => ({
          need:
            now.kind === 'subject'
              ? { ...now, fill: { ...now.fill, [field]: value === null ? NaN : value / PERCENT } }
              : now,
        }))
      }
    />
  );
  return (
    <>
      <span>{t.filling}</span>
      {fill('min', t.fillsAtLeast)}
      <span>{t.to}</span>
      {fill('max', t.fillsAtMost)}
    </>
  );
}

/** How badly a frame is wanted, and its share of the pictures, changed in the list. */
export function WantCells({ frame }: { frame: Frame }) {
  const put = useFrameEdit(frame);
  return (
    <div className="space-y-1">
      <CellSelect
        label={t.want(frame.name)}
        value={frame.want}
        options={WANTS}
        take={(want) => put('want', () => ({ want }))}
      />
      <span className="block text-[13px] whitespace-nowrap">
        <CellNumber
          label={t.shareIn(frame.name)}
          width="w-12"
          unit="%"
          value={frame.sharePercent}
          placeholder={t.even}
          take={(sharePercent) => put('share', () => ({ sharePercent }))}
        />
      </span>
    </div>
  );
}
