'use client';

import {
  type LineupResult,
  type Note,
  pricingOf,
  type Reason,
  type UnknownFigure,
} from '@/core/lineup';
import {
  apertureEnds,
  ITEM_KINDS,
  itemsWithoutBodies,
  type Lens,
  type Shelf,
  weighingOf,
} from '@/core/gear';
import {
  about,
  aboutWeight,
  formatFNumbers,
  formatFocalRange,
  formatMm,
  formatMoney,
  formatWeight,
  itemsText,
  lineupText,
  namesOf,
  OWNERSHIPS,
  plainList,
  UNKNOWN_NOTES,
} from '@/text';
import { useFile } from '@/session';
import { Button, TableHead } from '@/ui';
import { HelpLink } from '@/parts';
import { FigureRow } from './FigureRow';
import { ConflictText } from './ConflictText';
import { lensesOnScore } from '@/parts/score';
import { LockButtons } from './LockButtons';

const words = lineupText.lineupTable;

/** What the lineup comes to, and what stands in its way. */
export function Headline({ result }: { result: LineupResult }) {
  const file = useFile();
  const name = namesOf(file);
  return (
    <section aria-labelledby="taken">
      <div className="mb-2 flex items-start justify-between gap-3">
        <span className="flex items-center">
          <h1 id="taken" className="text-xl">
            {headline(result)}
          </h1>
          <HelpLink topic="choice" />
        </span>
        <span className="print:hidden">
          <Button onClick={() => window.print()}>{words.print}</Button>
        </span>
      </div>
      {result.conflict && <ConflictText conflict={result.conflict} />}
      <Notes result={result} name={name} />
    </section>
  );
}

/** What is taken, with what each lens alone makes possible. */
export function LineupTable({ result }: { result: LineupResult }) {
  const file = useFile();
  const name = namesOf(file);
  const { lensIds, converterIds, tubeIds, adapterIds } = result.lineup;
  const behindIds = new Set<string>([...converterIds, ...tubeIds, ...adapterIds]);
  const lenses = lensIds
    .flatMap((id) => file.shelf.lenses.filter((l) => l.id === id))
    .sort((a, b) => a.focal.wideMm - b.focal.wideMm);
  const behind = itemsWithoutBodies(file.shelf).filter((p) => behindIds.has(p.id));
  const { currency } = file.outing;
  const gear = weighingOf(file.shelf);
  const weightOf = (id: string) => aboutWeight(gear.of(id), gear.isEstimated(id));
  const pricing = pricingOf(file.shelf, file.limits, currency);
  const priceText = (id: string) => {
    const price = pricing.of(id);
    if (price === null) return words.unknown;
    return about(formatMoney(price, currency), pricing.isEstimated(id));
  };
  const onScore = new Set<string>(
    result.status === 'impossible' ? [] : lensesOnScore(result, file),
  );
  const only = new Map(result.lensesIn.map((l) => [l.lensId, l.onlyIt]));
  return (
    <section aria-label={words.theLineup}>
      {lenses.length > 0 && (
        <div
          className="relative overflow-x-auto"
          tabIndex={0}
          role="region"
          aria-label={words.theLineupAsATable}
        >
          <table className="w-full border-collapse max-sm:block">
            <TableHead
              className="max-sm:sr-only"
              heads={[
                words.take,
                words.range,
                words.weight,
                words.price,
                words.onlyThisLensCovers,
                { text: words.actions, isSaidOnly: true },
              ]}
            />
            <tbody className="max-sm:block">
              {lenses.map((l) => (
                <LensRow
                  key={l.id}
                  lens={l}
                  weight={weightOf(l.id)}
                  price={priceText(l.id)}
                  onlyThis={onlyText(only.get(l.id), name)}
                  isOnScore={onScore.has(l.id)}
                />
              ))}
              {behind.map((item) => (
                <BehindRow
                  key={item.id}
                  item={item}
                  weight={weightOf(item.id)}
                  price={priceText(item.id)}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

function LensRow({
  lens: l,
  weight,
  price,
  onlyThis,
  isOnScore,
}: {
  readonly lens: Lens;
  readonly weight: string;
  readonly price: string;
  readonly onlyThis: string;
  /** There it can be locked in and left out already. */
  readonly isOnScore: boolean;
}) {
  const origin = [
    l.maker,
    l.mount !== l.maker ? l.mount : '',
    l.ownership === 'owned' ? '' : OWNERSHIPS[l.ownership],
  ];
  return (
    <tr className="border-b border-hair align-top max-sm:flex max-sm:flex-wrap max-sm:gap-x-3">
      <th
        scope="row"
        className="min-w-48 py-1 pr-4 text-left font-semibold text-got max-sm:w-full max-sm:pb-0"
      >
        {l.name}
        <span className="block text-[12px] font-normal text-soft">
          {plainList(origin.filter((text) => text !== ''))}
        </span>
      </th>
      <td className="py-1 pr-4 whitespace-nowrap">
        {formatFocalRange(l.focal.wideMm, l.focal.longMm)}
        <span className="text-[12px] text-soft sm:block">
          {' '}
          {formatFNumbers(...apertureEnds(l.apertures))}
        </span>
      </td>
      <WeightAndPrice weight={weight} price={price} />
      <td className="min-w-56 py-1 pr-4 max-sm:w-full max-sm:pt-0">
        <span className="text-soft sm:hidden">{words.onlyThisLensCovers}: </span>
        {onlyThis}
      </td>
      {isOnScore ? (
        <td className="max-sm:hidden" />
      ) : (
        <td className="py-1 text-right">
          <LockButtons id={l.id} name={l.name} />
        </td>
      )}
    </tr>
  );
}

/** A lens, a converter, a tube or an adapter. */
type Item = ReturnType<typeof itemsWithoutBodies>[number];

function BehindRow({
  item,
  weight,
  price,
}: {
  readonly item: Item;
  readonly weight: string;
  readonly price: string;
}) {
  return (
    <tr className="border-b border-hair max-sm:flex max-sm:flex-wrap max-sm:gap-x-3">
      <th
        scope="row"
        className="py-1.5 pr-4 text-left font-semibold text-got max-sm:w-full max-sm:pb-0"
      >
        {item.name}
      </th>
      <td className="py-1.5 pr-4">{sizeText(item)}</td>
      <WeightAndPrice weight={weight} price={price} />
      <td className="max-sm:hidden" />
      <td className="py-1 text-right">
        <LockButtons id={item.id} name={item.name} />
      </td>
    </tr>
  );
}

/** How long a tube is, or by how much a converter lengthens. */
function sizeText(item: Item): string {
  if ('lengthMm' in item && item.lengthMm !== null) return formatMm(item.lengthMm);
  return 'factor' in item ? `${item.factor}×` : '';
}

function WeightAndPrice({ weight, price }: { readonly weight: string; readonly price: string }) {
  return (
    <>
      <td className="py-1 pr-4 whitespace-nowrap">{weight}</td>
      <td className="py-1 pr-4 whitespace-nowrap">{price}</td>
    </>
  );
}

/** What only one lens covers; null where time ran out before that was known. */
function onlyText(ids: readonly string[] | null | undefined, name: (id: string) => string): string {
  if (ids === null) return words.notWorkedOutInTime;
  return plainList((ids ?? []).map(name)) || words.nothingTheOthersCoverIt;
}

function headline({ status, totals, lineup }: LineupResult): string {
  if (status === 'impossible') return words.noLineupMeetsTheseLimits;
  const asked = totals.musts.of + totals.wants.of;
  if (totals.lenses === 0) return asked > 0 ? words.nothingCovers : words.noLensIsNeededYet;
  const all = totals.musts.got === totals.musts.of && totals.wants.got === totals.wants.of;
  const items = itemsText(lineup, totals.lenses);
  const isOne = takenCount(lineup) === 1;
  return all ? words.coverEveryMustAndWant(items, isOne) : words.coverAsMuchAsThe(items, isOne);
}

const REASONS: Readonly<Record<Reason, string>> = {
  kept: words.whatKeepsEachLostMust,
  conflict: words.whichLimitsConflict,
  unknown: words.whetherAnUnknownDecides,
  'only-it': words.whatOnlyOneLensCovers,
  'lenses-out': words.whyLensesAreLeftOut,
  nearest: words.theNearestMissOfLost,
  ranges: words.gapsAndOverlaps,
};

function Notes({ result, name }: { result: LineupResult; name: (id: string) => string }) {
  const file = useFile();
  const { currency } = file.outing;
  const taken = new Set<string>(Object.values(result.lineup).flat());
  const texts = result.notes.flatMap((note) => {
    switch (note.code) {
      case 'pixels-unknown':
        return words.thePixelCountOfIs(listed(note.ids.map(name)));
      case 'autofocus-unknown':
        return words.autofocusOfUnknownAssumedYes(listed(note.ids.map(name)));
      case 'thread-unknown':
        return words.frontFilterOnUnknownAssumed(listed(note.ids.map(name)));
      case 'shift-unknown':
        return words.shiftOfUnknownAssumedYes(listed(note.ids.map(name)));
      case 'smallest-aperture-unknown':
        return words.smallestApertureOfUnknownAssumed(listed(note.ids.map(name)));
      case 'too-thick':
        return words.lockedInTooThick(listed(note.ids.map(name)));
      case 'closest-focus-unknown':
        return words.closestFocusUnknown(listed(note.ids.map(name)));
      case 'closest-focus-estimated':
        return words.closestFocusEstimated(listed(note.ids.map(name)));
      case 'sealing-unknown':
        return words.weatherSealingOfUnknownSo(listed(note.ids.map(name)));
      case 'weight-unknown':
        return words.weightsEstimated(listed(note.ids.map(name)));
      case 'price-estimated':
        return words.pricesEstimated(listed(note.ids.map(name)));
      case 'diameter-estimated':
        return words.diametersEstimated(listed(note.ids.map(name)));
      case 'reserve-impossible':
        return words.reserveImpossible(listed(note.ids.map(name)));
      case 'unknown-decides':
        return words.unknownDecides[note.figure](
          listed(note.ids.map(name)),
          listed(note.instead.map(name)),
          note.below === null
            ? null
            : note.figure === 'weight'
              ? formatWeight(note.below)
              : formatMoney(note.below, currency),
        );
      case 'reasons-cut':
        return words.timeRanOutBeforeEverything(listed(note.ids.map((id) => REASONS[id])));
      case 'no-frames':
        return words.noPicturesYetSayIn;
      case 'no-lenses':
        return lineupText.noLens(file.shelf.lenses.length > 0);
      case 'no-bodies':
        return words.noLensFitsACamera;
      default:
        // What is taken all the same is not left out: its own limit, or hand, is what isn’t known.
        return [
          [note.ids.filter((id) => !taken.has(id)), UNKNOWN_NOTES[note.code]] as const,
          [note.ids.filter((id) => taken.has(id)), words.takenThoughUnknown] as const,
        ].flatMap(([ids, text]) => (ids.length > 0 ? [text(listed(ids.map(name)))] : []));
    }
  });
  const figures = result.notes.flatMap((note) => figuresAsked(note, result, file.shelf));
  return (
    <>
      {texts.map((text) => (
        <p key={text} className="mb-2 max-w-prose">
          {text}
        </p>
      ))}
      <FiguresAsked figures={figures} />
    </>
  );
}

/** Figures asked for on the page; more can be typed on Shelf. */
const MOST_ASKED = 4;

/** What would settle the notes, to be typed right here. */
function FiguresAsked({ figures }: { figures: readonly UnknownFigure[] }) {
  const each = new Map(figures.map((f) => [`${f.itemId}.${f.field}`, f]));
  if (each.size === 0) return null;
  return (
    <ul aria-label={words.figuresToSettleIt} className="mb-3 max-w-prose">
      {[...each].slice(0, MOST_ASKED).map(([key, figure]) => (
        <FigureRow key={key} figure={figure} />
      ))}
    </ul>
  );
}

/** Which figure a note rests on; none where another thing would settle it. */
const FIGURE_OF = {
  'autofocus-unknown': 'autofocus',
  'thread-unknown': 'frontThread',
  'smallest-aperture-unknown': 'smallestFNumber',
  'closest-focus-estimated': 'minFocusM',
  'closest-focus-unknown': 'minFocusM',
  'sealing-unknown': 'sealed',
  'weight-unknown': 'weightG',
  'diameter-unknown': 'diameterMm',
  'diameter-estimated': 'diameterMm',
  'price-unknown': 'priceNew',
  'price-estimated': 'priceNew',
} as const;

const DECIDING = { weight: 'weightG', price: 'priceNew', diameter: 'diameterMm' } as const;

/** The figures that nobody knows and that a note rests on: of lenses, and of the cameras that come along. */
function figuresAsked(note: Note, { bodies }: LineupResult, shelf: Shelf): UnknownFigure[] {
  const code = note.code as keyof typeof FIGURE_OF;
  const field = note.code === 'unknown-decides' ? DECIDING[note.figure] : FIGURE_OF[code];
  if (field === undefined || !('ids' in note)) return [];
  const ids = new Set<string>([...note.ids, ...(field === 'sealed' ? bodies : [])]);
  return ITEM_KINDS.flatMap((kind) =>
    shelf[kind].flatMap((item): UnknownFigure[] => {
      const value = (item as unknown as Readonly<Record<string, unknown>>)[field];
      return ids.has(item.id) && value === null ? [{ kind, itemId: item.id, field }] : [];
    }),
  );
}

function listed(names: readonly string[]): string {
  return names.length > 6
    ? words.andMore(plainList(names.slice(0, 6)), names.length - 6)
    : plainList(names);
}

const takenCount = ({ lensIds, converterIds, tubeIds, adapterIds }: LineupResult['lineup']) =>
  lensIds.length + converterIds.length + tubeIds.length + adapterIds.length;
