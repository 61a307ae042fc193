'use client';

import { type ReactNode, useMemo } from 'react';
import type { Compartment } from '@/core/brief';
import {
  type Lens,
  type Shelf,
  usualBehindSizeMm,
  usualBodySizeMm,
  usualFigure,
} from '@/core/gear';
import type { BagAnswer, BagItem, CarryPlan, PackingLine, Placed } from '@/core/carry';
import {
  CAPS_MM,
  carryText,
  formatMm,
  formatPercent,
  lineWords,
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

/** Lines of the packing list that are too small to be drawn. */
const FOR_POCKETS: ReadonlySet<PackingLine['code']> = new Set([
  'batteries',
  'power-bank',
  'cards',
  'spare-card',
  'drop-in-filter',
  'grey-filter',
  'filters',
  'step-up-ring',
  'flash-batteries',
  'headlamp',
]);

/** Whether everything that comes along goes into the bag, and how it lies there, seen from above. */
export function Bag({
  plan,
  lines,
}: {
  readonly plan: CarryPlan;
  /** What is packed besides: what is small goes into pockets. */
  readonly lines: readonly PackingLine[];
}) {
  const file = useFile();
  const name = namesOf(file);
  const { compartments } = file.packing;
  const { shelf } = file;
  const { items, unsized, estimated } = useMemo(() => bagItems(shelf, plan), [shelf, plan]);
  const { answer, problem } = useBag(compartments, items);
  // What is small goes where nothing else lies.
  const empty =
    answer !== null && 'placed' in answer
      ? compartments.find((c) => answer.placed.every((p) => p.compartmentId !== c.id))
      : undefined;
  const pockets = lines
    .filter(({ code }) => FOR_POCKETS.has(code))
    .map((line) => {
      const { what } = lineWords(line, name);
      return line.count > 1 ? `${line.count} × ${what}` : what;
    });
  return (
    <section aria-label={t.theBag}>
      {compartments.length === 0 ? (
        <p className="text-soft">{t.giveTheInnerSizesOf}</p>
      ) : answer === null ? (
        <p className={problem === null ? 'text-soft' : 'text-wrong'} role="status">
          {problem === null ? t.packingTheBag : t.couldntPackTheBag(problem)}
        </p>
      ) : (
        <>
          <h2 className={`text-lg ${answer.kind === 'fits' ? '' : 'text-wrong'}`} role="status">
            <Verdict answer={answer} items={items} name={name} />
          </h2>
          {(answer.kind === 'fits' || answer.kind === 'not-found') && (
            <div className="mt-2 flex flex-wrap gap-5">
              {compartments.map((c) => (
                <Drawn
                  key={c.id}
                  compartment={c}
                  placed={answer.placed.filter((p) => p.compartmentId === c.id)}
                  small={c === empty ? pockets : []}
                  name={name}
                />
              ))}
            </div>
          )}
        </>
      )}
      {empty === undefined && pockets.length > 0 && (
        <p className="mt-2 max-w-prose">{t.inPockets(plainList(pockets))}</p>
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
    const behind = [...shelf.converters, ...shelf.tubes, ...shelf.adapters].find(
      (b) => b.id === id,
    );
    const size = lens && lensSize(lens, shelf);
    if (size) {
      items.push({ id, ...size });
      if (lens.lengthMm === null || lens.diameterMm === null) estimated.push(id);
    } else if (body) {
      items.push({ id, ...(body.sizeMm ?? usualBodySizeMm(body)) });
      if (body.sizeMm === null) estimated.push(id);
    } else if (behind) {
      items.push({ id, ...usualBehindSizeMm(behind) });
      estimated.push(id);
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

/** How large a compartment is drawn: px per mm of it, and at most so broad. */
const SCALE = 1.25;
const MOST_PX = 520;
/** Height of the letters and of a line, px, and about how broad a letter is. */
const LETTERS_PX = 12;
const LINE_PX = 14;
const LETTER_PX = 6.4;
/** Lines that a name may take. */
const MOST_LINES = 3;

/** A compartment from above: what lies lower is drawn first, round lenses that stand as rounds. */
function Drawn({
  compartment: c,
  placed,
  small,
  name,
}: {
  compartment: Compartment;
  placed: readonly Placed[];
  /** Small things that go in here, named only. */
  small: readonly string[];
  name: (id: string) => string;
}) {
  const upwards = [...placed].sort((a, b) => a.yMm - b.yMm);
  const scale = Math.min(SCALE, MOST_PX / c.widthMm);
  const [width, height] = [c.widthMm * scale, c.depthMm * scale];
  return (
    <figure>
      <svg
        viewBox={`-2 -2 ${width + 4} ${height + 4}`}
        width={width + 4}
        role="img"
        aria-label={t.fromAbove(
          c.name,
          plainList([...placed.map((p) => name(p.id)), ...small]) || t.empty,
        )}
        className="max-w-full"
      >
        <rect
          width={width}
          height={height}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
        {upwards.map((p) => (
          <PlacedItem key={p.id} placed={p} scale={scale} name={name(p.id)} />
        ))}
        {small.map((what, i) => (
          <text
            key={what}
            x={12}
            y={22 + i * 1.4 * LINE_PX}
            fontSize={LETTERS_PX}
            fill="var(--ink)"
          >
            {what}
          </text>
        ))}
      </svg>
      <figcaption className="text-[12px] text-soft">
        {t.high(c.name, formatMm(c.widthMm), formatMm(c.depthMm), formatMm(c.heightMm))}
      </figcaption>
    </figure>
  );
}

function PlacedItem({
  placed: p,
  scale,
  name,
}: {
  readonly placed: Placed;
  readonly scale: number;
  readonly name: string;
}) {
  const [width, height] = [p.widthMm * scale, p.depthMm * scale];
  const isRound = p.widthMm === p.depthMm;
  const lines = wrapped(name, Math.max(4, Math.floor((width - 6) / LETTER_PX)));
  const said = p.yMm > 0 ? [...lines, t.onTop] : lines;
  const first = height / 2 - ((said.length - 1) * LINE_PX) / 2 + LETTERS_PX / 3;
  return (
    <g transform={`translate(${p.xMm * scale} ${p.zMm * scale})`}>
      <rect
        width={width}
        height={height}
        rx={isRound ? width / 2 : 4}
        fill="var(--paper)"
        stroke="var(--edge)"
      />
      {said.map((line, i) => (
        <text
          key={i}
          x={width / 2}
          y={first + i * LINE_PX}
          textAnchor="middle"
          fontSize={LETTERS_PX}
          fill={i < lines.length ? 'var(--ink)' : 'var(--ink-soft)'}
        >
          {line}
        </text>
      ))}
    </g>
  );
}

/** A name in lines of so many letters, broken between words; what is longer is cut. */
function wrapped(name: string, letters: number): string[] {
  const lines: string[] = [];
  for (const word of name.split(' ')) {
    const longer = lines.length > 0 ? `${lines.at(-1)} ${word}` : word;
    if (lines.length > 0 && longer.length <= letters) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines.slice(0, MOST_LINES).map((line) => line.slice(0, letters));
}
