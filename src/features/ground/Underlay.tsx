'use client';

import { type PointerEvent, useRef, useState } from 'react';
import { flatM, type Ground, type Point, type Underlay } from '@/core/ground';
import { setGround } from '@/document';
import { useEdit, useHistory } from '@/session';
import { groundText } from '@/text';
import { Button, CellNumber, FileInput, notify } from '@/ui';
import { readUnderlay } from './readUnderlay';
import { type Scale, WAYS } from './scale';

const t = groundText.underlay;

/** How much of a picture shows at first, percent of fading. */
const FADE_PERCENT = 40;

/** A length on the plan that the person knows: its two ends. */
export type KnownLength = readonly [Point, Point];

/** The picture beneath the plan: laid, moved, turned, faded, and scaled by a known length. */
export function UnderlayFields({
  ground,
  known,
  onKnown,
}: {
  readonly ground: Ground;
  readonly known: KnownLength | null;
  readonly onKnown: (known: KnownLength | null) => void;
}) {
  const edit = useEdit();
  const { undo } = useHistory();
  const input = useRef<HTMLInputElement>(null);
  const { underlay } = ground;
  const put = (next: Underlay | null) => edit(setGround({ underlay: next }), 'ground.underlay');
  const lay = async (file: File) => {
    const read = await readUnderlay(file);
    if (!read.ok) return notify(t.problems[read.error.code]);
    const { image, ratio } = read.value;
    const widthM = Math.min(ground.widthM, ground.heightM / ratio);
    put({
      image,
      at: { xM: 0, yM: 0 },
      widthM,
      heightM: widthM * ratio,
      turnDeg: 0,
      fadePercent: FADE_PERCENT,
    });
  };
  return (
    <section aria-label={t.title} className="space-y-1 print:hidden">
      <h2 className="text-base">{t.title}</h2>
      <FileInput
        ref={input}
        label={t.file}
        accept="image/png,image/jpeg,image/webp,image/svg+xml,.svg"
        onFile={(file) => void lay(file)}
      />
      <Button onClick={() => input.current?.click()}>{t.lay}</Button>
      {underlay === null ? (
        <p className="text-[12px] text-soft">{t.hint}</p>
      ) : (
        <>
          <Figures underlay={underlay} put={put} />
          <Known known={known} onKnown={onKnown} underlay={underlay} put={put} ground={ground} />
          <Button
            onClick={() => {
              put(null);
              onKnown(null);
              notify(t.removed, { action: { label: groundText.page.undo, onClick: undo } });
            }}
          >
            {t.remove}
          </Button>
        </>
      )}
    </section>
  );
}

function Figures({
  underlay,
  put,
}: {
  readonly underlay: Underlay;
  readonly put: (next: Underlay) => void;
}) {
  const figure = (
    label: string,
    unit: string,
    value: number,
    [from, to]: readonly [number, number],
    change: (value: number) => Partial<Underlay>,
  ) => (
    <p className="flex items-center justify-between gap-2">
      <span className="text-[12px] text-soft">{label}</span>
      <CellNumber
        label={`${t.title}: ${label}`}
        unit={unit}
        value={Number(value.toFixed(2))}
        take={(typed) => {
          if (typed === null || !(typed >= from && typed <= to))
            return groundText.sheet.mustBe(from, to);
          put({ ...underlay, ...change(typed) });
          return null;
        }}
      />
    </p>
  );
  const { at, widthM, heightM } = underlay;
  return (
    <>
      {figure(t.width, 'm', widthM, [0.01, 20_000], (m) => ({
        widthM: m,
        heightM: (heightM / widthM) * m,
      }))}
      {figure(t.right, 'm', at.xM, [-20_000, 20_000], (xM) => ({ at: { ...at, xM } }))}
      {figure(t.up, 'm', at.yM, [-20_000, 20_000], (yM) => ({ at: { ...at, yM } }))}
      {figure(t.turn, '°', underlay.turnDeg, [0, 360], (turnDeg) => ({ turnDeg }))}
      {figure(t.fade, '%', underlay.fadePercent, [0, 95], (fadePercent) => ({ fadePercent }))}
    </>
  );
}

/** A known length: its ends are dragged on the plan, and it is told how long it really is. */
function Known({
  known,
  onKnown,
  underlay,
  put,
  ground,
}: {
  readonly known: KnownLength | null;
  readonly onKnown: (known: KnownLength | null) => void;
  readonly underlay: Underlay;
  readonly put: (next: Underlay) => void;
  readonly ground: Ground;
}) {
  const [length, setLength] = useState<number | null>(null);
  if (known === null)
    return (
      <Button
        onClick={() =>
          onKnown([
            { xM: 0.3 * ground.widthM, yM: ground.heightM / 2 },
            { xM: 0.7 * ground.widthM, yM: ground.heightM / 2 },
          ])
        }
      >
        {t.known}
      </Button>
    );
  return (
    <div className="space-y-1 border-l-2 border-ink pl-2">
      <p className="text-[12px] text-soft">{t.knownHint}</p>
      <CellNumber
        label={t.length}
        unit="m"
        value={length}
        take={(typed) => {
          if (typed === null || !(typed > 0)) return t.lengthMissing;
          setLength(typed);
          return null;
        }}
      />
      <Button
        disabled={length === null}
        onClick={() => {
          put(scaledBy(underlay, known, length ?? 0));
          onKnown(null);
        }}
      >
        {t.apply}
      </Button>
    </div>
  );
}

/** A picture so large that a length on it is what it really is; its first end stays where it is. */
function scaledBy(underlay: Underlay, [from, to]: KnownLength, lengthM: number): Underlay {
  const factor = lengthM / Math.max(flatM(from, to), 1e-6);
  // Turned about its middle: the middle goes away from the first end as everything else does.
  const middle = {
    xM: underlay.at.xM + underlay.widthM / 2,
    yM: underlay.at.yM + underlay.heightM / 2,
  };
  const [widthM, heightM] = [underlay.widthM * factor, underlay.heightM * factor];
  return {
    ...underlay,
    widthM,
    heightM,
    at: {
      xM: from.xM + (middle.xM - from.xM) * factor - widthM / 2,
      yM: from.yM + (middle.yM - from.yM) * factor - heightM / 2,
    },
  };
}

/** The picture, beneath everything else on the plan. */
export function UnderlayPicture({
  underlay,
  scale,
}: {
  readonly underlay: Underlay;
  readonly scale: Scale;
}) {
  const { at, widthM, heightM, turnDeg, fadePercent, image } = underlay;
  const middle = [scale.x(at.xM + widthM / 2), scale.y(at.yM + heightM / 2)];
  return (
    <image
      href={image}
      x={scale.x(at.xM)}
      y={scale.y(at.yM + heightM)}
      width={widthM * scale.perM}
      height={heightM * scale.perM}
      preserveAspectRatio="none"
      opacity={1 - fadePercent / 100}
      transform={`rotate(${turnDeg} ${middle.join(' ')})`}
      style={{ pointerEvents: 'none' }}
      data-testid="underlay"
      aria-hidden
    />
  );
}

/** The known length on the plan, with an end to drag at each side; arrow keys move it by a tenth of a metre. */
export function KnownLine({
  known,
  onKnown,
  scale,
}: {
  readonly known: KnownLength;
  readonly onKnown: (known: KnownLength) => void;
  readonly scale: Scale;
}) {
  const moved = (end: number, place: Point): KnownLength =>
    end === 0 ? [place, known[1]] : [known[0], place];
  const drag = (end: number) => (event: PointerEvent<SVGCircleElement>) => {
    event.stopPropagation();
    const element = event.currentTarget;
    element.setPointerCapture(event.pointerId);
    const start = known[end]!;
    const [x, y] = [event.clientX, event.clientY];
    const move = (next: globalThis.PointerEvent) =>
      onKnown(
        moved(
          end,
          scale.at(scale.x(start.xM) + next.clientX - x, scale.y(start.yM) + next.clientY - y),
        ),
      );
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', () => element.removeEventListener('pointermove', move), {
      once: true,
    });
  };
  return (
    <g stroke="var(--ink)" strokeWidth={1.5}>
      <path
        d={`M${scale.x(known[0].xM)} ${scale.y(known[0].yM)}L${scale.x(known[1].xM)} ${scale.y(known[1].yM)}`}
      />
      {known.map((p, end) => (
        <circle
          key={end}
          cx={scale.x(p.xM)}
          cy={scale.y(p.yM)}
          r={7}
          role="button"
          tabIndex={0}
          aria-label={t.end(end + 1)}
          fill="var(--sheet)"
          className="cursor-grab"
          onPointerDown={drag(end)}
          onKeyDown={(event) => {
            const way = WAYS[event.key];
            if (!way) return;
            event.preventDefault();
            onKnown(moved(end, { xM: p.xM + 0.1 * way[0], yM: p.yM + 0.1 * way[1] }));
          }}
        />
      ))}
    </g>
  );
}
