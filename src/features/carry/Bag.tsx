'use client';

import { type ReactNode, useMemo } from 'react';
import type { Compartment } from '@/core/brief';
import { type Lens, type Shelf, usualBodySizeMm, usualFigure } from '@/core/gear';
import type { BagAnswer, BagItem, CarryPlan, Placed } from '@/core/carry';
import {
  CAPS_MM,
  carryText,
  formatMm,
  formatPercent,
  namesOf,
  plainList,
  roomSteps,
  tooBigSteps,
} from '@/text';
import { useFile } from '@/session';
import { Figure } from '@/parts';
import { Sentence } from '@/ui';
import { useBag } from './useBag';

const t = carryText.bag;

/** Whether everything that comes along goes into the bag, and how it lies there, seen from above. */
export function Bag({ plan }: { plan: CarryPlan }) {
  const file = useFile();
  const name = namesOf(file);
  const { compartments } = file.packing;
  const { shelf } = file;
  const { items, unsized, estimated } = useMemo(() => bagItems(shelf, plan), [shelf, plan]);
  const { answer, problem } = useBag(compartments, items);
  return (
    <section aria-labelledby="bag">
      <h2 id="bag" className="text-lg">
        {t.theBag}
      </h2>
      {compartments.length === 0 ? (
        <p className="text-soft">{t.giveTheInnerSizesOf}</p>
      ) : answer === null ? (
        <p className={problem === null ? 'text-soft' : 'text-wrong'} role="status">
          {problem === null ? t.packingTheBag : t.couldntPackTheBag(problem)}
        </p>
      ) : (
        <>
          <p className={answer.kind === 'fits' ? '' : 'text-wrong'} role="status">
            <Verdict answer={answer} items={items} name={name} />
          </p>
          {(answer.kind === 'fits' || answer.kind === 'not-found') && (
            <div className="mt-2 flex flex-wrap gap-5">
              {compartments.map((c) => (
                <Drawn
                  key={c.id}
                  compartment={c}
                  placed={answer.placed.filter((p) => p.compartmentId === c.id)}
                  name={name}
                />
              ))}
            </div>
          )}
        </>
      )}
      {estimated.length > 0 && (
        <p className="text-[13px] text-soft">{t.sizeEstimated(plainList(estimated.map(name)))}</p>
      )}
      {unsized.length > 0 && (
        <p className="text-[13px] text-soft">
          {t.sizeUnknownNotDrawn(plainList(unsized.map(name)))}
        </p>
      )}
    </section>
  );
}

/** Whether it goes in, with the arithmetic of the room. */
function Verdict({
  answer,
  items,
  name,
}: {
  answer: BagAnswer;
  items: readonly BagItem[];
  name: (id: string) => string;
}) {
  const file = useFile();
  if (answer.kind === 'too-big') {
    const { item } = answer;
    return (
      <Sentence
        parts={t.tooBig(
          name(item.id),
          <Figure
            label={t.whyDoesntFitAnyCompartment(name(item.id))}
            steps={() => tooBigSteps(file, item)}
          >
            {t.doesntFitAnyCompartment}
          </Figure>,
        )}
      />
    );
  }
  const share = (
    <Figure label={t.howFullTheBagIs} steps={() => roomSteps(file, items)}>
      {formatPercent(100 * answer.shareFilled)}
    </Figure>
  );
  if (answer.kind === 'too-much') return <Sentence parts={t.moreThanTheBagHolds(share)} />;
  if (answer.kind === 'fits') return <Sentence parts={t.everythingFits(share)} />;
  return (
    <Sentence
      parts={t.couldntFitEverything<ReactNode>(plainList(answer.outIds.map(name)), share)}
    />
  );
}

/** Everything that the plan uses, as blocks; what has no size is named. */
function bagItems(shelf: Shelf, plan: CarryPlan) {
  const along = new Set<string>(
    plan.stretches.flatMap((s) => [
      ...s.left,
      ...s.hands.flatMap((h) => [
        ...h.bag,
        ...h.start.flatMap((o) => [o.bodyId as string, ...o.pieceIds]),
      ]),
    ]),
  );
  const items: BagItem[] = [];
  const unsized: string[] = [];
  const estimated: string[] = [];
  for (const id of along) {
    const lens = shelf.lenses.find((l) => l.id === id);
    const body = shelf.bodies.find((b) => b.id === id);
    const size = lens && lensSize(lens, shelf);
    if (size) {
      items.push({ id, ...size });
      if (lens.lengthMm === null || lens.diameterMm === null) estimated.push(id);
    } else if (body) {
      items.push({ id, ...(body.sizeMm ?? usualBodySizeMm(body)) });
      if (body.sizeMm === null) estimated.push(id);
    } else unsized.push(id);
  }
  return { items, unsized, estimated };
}

/** A lens standing, as a block; as is usual for its kind where nobody knows it. */
function lensSize(lens: Lens, shelf: Shelf) {
  const of = (figure: 'lengthMm' | 'diameterMm') =>
    lens[figure] ?? usualFigure('lenses', lens, figure, { shelf });
  const [lengthMm, diameterMm] = [of('lengthMm'), of('diameterMm')];
  if (lengthMm === null || diameterMm === null) return null;
  return { widthMm: diameterMm, heightMm: lengthMm + CAPS_MM, depthMm: diameterMm };
}

/** A compartment from above: what lies lower is drawn first, round lenses that stand as rounds. */
function Drawn({
  compartment: c,
  placed,
  name,
}: {
  compartment: Compartment;
  placed: readonly Placed[];
  name: (id: string) => string;
}) {
  const upwards = [...placed].sort((a, b) => a.yMm - b.yMm);
  return (
    <figure>
      <svg
        viewBox={`-4 -4 ${c.widthMm + 8} ${c.depthMm + 8}`}
        width={(c.widthMm + 8) * 0.75}
        role="img"
        aria-label={t.fromAbove(c.name, plainList(placed.map((p) => name(p.id))) || t.empty)}
        className="max-w-full"
      >
        <rect
          width={c.widthMm}
          height={c.depthMm}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {upwards.map((p) => (
          <g key={p.id} transform={`translate(${p.xMm} ${p.zMm})`}>
            <rect
              width={p.widthMm}
              height={p.depthMm}
              rx={p.widthMm === p.depthMm ? p.widthMm / 2 : 3}
              fill="var(--paper)"
              stroke="var(--edge)"
            />
            <text
              x={p.widthMm / 2}
              y={p.depthMm / 2 + 4}
              textAnchor="middle"
              fontSize={11}
              fill="var(--ink)"
            >
              {name(p.id).slice(0, Math.max(4, Math.floor(p.widthMm / 6.5)))}
            </text>
            {p.yMm > 0 && (
              <text
                x={p.widthMm / 2}
                y={p.depthMm / 2 + 16}
                textAnchor="middle"
                fontSize={9}
                fill="var(--ink-soft)"
              >
                {t.onTop}
              </text>
            )}
          </g>
        ))}
      </svg>
      <figcaption className="text-[12px] text-soft">
        {t.high(c.name, formatMm(c.widthMm), formatMm(c.depthMm), formatMm(c.heightMm))}
      </figcaption>
    </figure>
  );
}
