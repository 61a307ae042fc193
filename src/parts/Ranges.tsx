import type { ReactNode } from 'react';
import type { Advantage, Gap, LineupResult, Overlap } from '@/core/lineup';
import {
  advantageSteps,
  advantageText,
  formatCrop,
  formatFocalRange,
  formatMegapixels,
  gapSteps,
  panelText,
  plainList,
} from '@/text';
import { Sentence } from '@/ui';
import { Figure } from './arithmetic';

const t = panelText.ranges;

/** Holes and shared ranges of the lineup, with what they cost or are good for. */
export function Ranges({ result, name }: { result: LineupResult; name: (id: string) => string }) {
  if (result.lineup.lensIds.length === 0) return null;
  return (
    <section aria-labelledby="gaps" className="grid gap-8 md:grid-cols-2">
      <div>
        <h2 id="gaps" className="mb-1 text-lg">
          {t.gaps}
        </h2>
        {result.gaps.length === 0 && <p>{t.noneTheRangesMeetFrom}</p>}
        <ul className="space-y-1">
          {result.gaps.map((gap) => (
            <li key={gap.range.from} className="border-b border-hair pb-1">
              <GapText gap={gap} />{' '}
              {gap.lostFrameIds.length > 0 && (
                <span className="text-wrong">{t.costs(plainList(gap.lostFrameIds.map(name)))}</span>
              )}{' '}
              {gap.croppedFrameIds.length > 0 &&
                t.croppedFor(plainList(gap.croppedFrameIds.map(name)))}
              {gap.lostFrameIds.length + gap.croppedFrameIds.length === 0 &&
                t.costsNothingNoPictureNeeds}
            </li>
          ))}
        </ul>
      </div>
      <div>
        <h2 className="mb-1 text-lg">{t.overlaps}</h2>
        {result.overlaps.length === 0 && <p>{t.noneNoTwoLensesShare}</p>}
        <ul className="space-y-1">
          {result.overlaps.map((o) => (
            <li key={o.lensIds.join()} className="border-b border-hair pb-1">
              <OverlapText of={o} name={name} />
            </li>
          ))}
        </ul>
      </div>
    </section>
  );
}

/** A hole, and the crop that bridges it. */
export function GapText({ gap }: { readonly gap: Gap }) {
  return (
    <Sentence
      parts={t.gap<ReactNode>(
        formatFocalRange(gap.range.from, gap.range.to),
        <Figure label={t.whatBridgesTheGap} steps={() => gapSteps(gap)}>
          {t.cropOf(
            formatCrop(gap.crop),
            gap.megapixelsLeft === null ? null : formatMegapixels(gap.megapixelsLeft),
          )}
        </Figure>,
      )}
    />
  );
}

/** A range that two lenses share, and what each has over the other there. */
export function OverlapText({
  of,
  name,
}: {
  readonly of: Overlap;
  readonly name: (id: string) => string;
}) {
  return (
    <>
      {t.overlap(
        formatFocalRange(of.range.from, of.range.to),
        name(of.lensIds[0]),
        name(of.lensIds[1]),
      )}{' '}
      <span className="text-soft">
        {of.reasons.length === 0 ? doublingText(of, name) : <Advantages of={of} name={name} />}
      </span>
    </>
  );
}

/** What each lens has over the other, with its arithmetic. */
function Advantages({ of, name }: { of: Overlap; name: (id: string) => string }) {
  const sides = of.lensIds
    .map((id) => [name(id), of.reasons.filter((r) => r.lensId === id)] as const)
    .filter(([, reasons]) => reasons.length > 0);
  return sides.map(([who, reasons], side) => (
    <span key={who}>
      {side > 0 && '; '}
      {t.is(who)}{' '}
      {reasons.map((advantage, i) => (
        <span key={advantage.reason}>
          {i > 0 && ', '}
          <AdvantageFigure advantage={advantage} of={of} who={who} />
        </span>
      ))}
    </span>
  ));
}

function AdvantageFigure(props: { advantage: Advantage; of: Overlap; who: string }) {
  const { advantage, of, who } = props;
  const text = advantageText(advantage);
  if (advantage.figures === null) return text;
  return (
    <Figure label={`${who}: ${text}`} steps={() => advantageSteps(advantage, of.range)}>
      {text}
    </Figure>
  );
}

/** What an overlap is good for when neither lens has anything over the other. */
function doublingText(o: Overlap, name: (id: string) => string): string {
  if (o.spareForFrameIds.length > 0)
    return t.eachIsTheOthersSpare(plainList(o.spareForFrameIds.map(name)));
  return o.onTwoBodies ? t.simpleOverlapUnlessYouWant : t.simpleOverlap;
}
