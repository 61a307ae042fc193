'use client';

import { useEffect, useState } from 'react';
import { apertureEnds, hasUsualPrices, type Lens, lensId } from '@/core/gear';
import { difference, type Missing, type MissingKind, type OfOuting, type Worth } from '@/core/next';
import { addGear, freshId, shelfIds } from '@/document';
import type { DatabaseLens } from '@/document/formats';
import { useEditGear, useHistory, useKnownGear } from '@/session';
import { Button, notify } from '@/ui';
import {
  formatFNumbers,
  formatFocalRange,
  formatMoney,
  formatWeight,
  itemNameOf,
  nextText,
  worthText,
} from '@/text';
import { Answered, Proof } from './Answered';
import { kindName } from './kindName';
import { MissingPlot } from './MissingPlot';
import { Question } from './Question';
import { useAsk } from './useAsk';
import type { NextWork } from './useNextWork';
import { coversAll } from './yearText';

const t = nextText.missing;

/** Which kinds of lenses the pictures lack, of all that are made, and what a camera would add. */
export function MissingView({ work }: { work: NextWork }) {
  const asking = useAsk<'missing'>(work, { kind: 'missing' });
  return (
    <Question id="next-missing" title={t.title}>
      <Answered work={work} asking={asking}>
        {(found) =>
          found === null ? <p>{nextText.page.outOfTime}</p> : <Found work={work} found={found} />
        }
      </Answered>
    </Question>
  );
}

function Found({ work, found }: { work: NextWork; found: Missing }) {
  const { kinds, before, cameras } = found;
  const isAll = coversAll(work, before);
  const adds = difference(found.with.year, before.year);
  return (
    <div className="space-y-5">
      <p role="status" className="max-w-prose font-semibold">
        {kinds.length > 0
          ? t.found(
              kinds.map(({ lens }) => kindName(lens)),
              gainText(adds, work),
            )
          : isAll
            ? t.all
            : t.none}
      </p>
      {!isAll && <p className="max-w-prose text-soft">{t.intro}</p>}
      {kinds.length > 0 && (
        <div className="grid gap-x-10 gap-y-4 lg:grid-cols-2">
          <ol className="space-y-4" data-testid="missing-kinds">
            {kinds.map((kind) => (
              <Kind key={kind.lens.id} work={work} kind={kind} />
            ))}
          </ol>
          <MissingPlot work={work} kinds={kinds} />
        </div>
      )}
      {!isAll && <Proof open={found.open} proven={t.proven(found.looked)} work={work} />}
      {!isAll && <Cameras work={work} cameras={cameras} />}
    </div>
  );
}

/** What is gained in pictures; how much there is to carry is no matter of the kind. */
const gainText = (adds: Worth, { year }: NextWork) =>
  worthText({ ...adds, items: 0, weightG: 0 }, year);

function Kind({ work, kind }: { work: NextWork; kind: MissingKind }) {
  const { lens, adds, loosest, slower } = kind;
  const named = useNames(work);
  return (
    <li className="border-l-2 border-got pl-3">
      <div className="flex flex-wrap items-baseline gap-x-2">
        <h3 className="text-lg">{kindName(lens)}</h3>
        <span className="text-soft">{t.onMount(lens.mount)}</span>
        <strong className="font-semibold">{gainText(adds, work)}</strong>
      </div>
      <ul className="max-w-prose">
        {kind.pictures.map((of) => (
          <li key={of.outing}>{named(of)}</li>
        ))}
      </ul>
      <p className="max-w-prose">
        {t.enough(
          formatFocalRange(loosest.wideMm, loosest.longMm),
          loosest.wideMm === loosest.longMm,
          formatFNumbers(loosest.fNumberWide, loosest.fNumberLong),
        )}{' '}
        {slower &&
          t.slower(formatFNumbers(...apertureEnds(slower.lens.apertures)), slower.lacks.map(named))}
      </p>
      <div className="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <Wish work={work} lens={lens} />
        <span className="text-[13px] text-soft">
          {t.usually(
            hasUsualPrices(work.currency) ? formatMoney(lens.priceNew ?? 0, work.currency) : null,
            formatWeight(lens.weightG ?? 0),
          )}
        </span>
        <Entries kind={kind} />
      </div>
    </li>
  );
}

/** Names of pictures, with the outing where there are several. */
function useNames({ question, names }: NextWork) {
  return ({ outing, frameIds }: OfOuting): string => {
    const frames = question?.outings[outing]?.question.frames ?? [];
    return t.pictures(
      frameIds.map((id) => frames.find((f) => f.id === id)?.name ?? id),
      names.length > 1 ? (names[outing] ?? null) : null,
    );
  };
}

/** Puts a lens of a kind on the shelf as wished, with what is usual for it. */
function Wish({ work, lens }: { work: NextWork; lens: Lens }) {
  const shelf = useKnownGear();
  const editGear = useEditGear();
  const { undo } = useHistory();
  const hasPrice = hasUsualPrices(work.currency);
  const wish = () => {
    const name = kindName(lens);
    const made: Lens = {
      ...lens,
      id: lensId.parse(freshId(name, shelfIds(shelf))),
      name,
      priceNew: hasPrice ? lens.priceNew : null,
      // The circle is that of the cameras there: a lens that is bought may have a larger one.
      imageCircleMm: null,
    };
    if (editGear(addGear({ lenses: [made] })))
      notify(t.wished(name), {
        description: t.wishedHow(hasPrice),
        action: { label: t.undo, onClick: undo },
      });
  };
  return <Button onClick={wish}>{t.wish}</Button>;
}

/** Lenses of the open database that would do, where it lies on the machine that serves. */
function Entries({ kind: { lens, loosest } }: { kind: MissingKind }) {
  const { mount } = lens;
  const { wideMm, longMm, fNumberWide, fNumberLong } = loosest;
  const [found, setFound] = useState<readonly DatabaseLens[] | null>(null);
  useEffect(() => {
    const stop = new AbortController();
    const asked = new URLSearchParams({
      mount,
      wideMm: String(wideMm),
      longMm: String(longMm),
      fNumberWide: String(fNumberWide),
      fNumberLong: String(fNumberLong),
    });
    // Without a network, or without the database, there is nothing to list, and nothing to say.
    fetch(`/api/lenses?${asked}`, { signal: stop.signal })
      .then((response) => (response.status === 200 ? response.json() : null))
      .then(
        (answer: { lenses: readonly DatabaseLens[] } | null) => setFound(answer?.lenses ?? null),
        () => undefined,
      );
    return () => stop.abort();
  }, [mount, wideMm, longMm, fNumberWide, fNumberLong]);
  if (found === null || found.length === 0) return null;
  return (
    <details>
      <summary className="cursor-pointer">{t.entries(found.length)}</summary>
      <ul>
        {found.map(({ maker, model }) => (
          <li key={`${maker} ${model}`}>
            {maker} {model}
          </li>
        ))}
      </ul>
    </details>
  );
}

function Cameras({ work, cameras }: { work: NextWork; cameras: Missing['cameras'] }) {
  const name = itemNameOf(work.shelf);
  const named = useNames(work);
  return (
    <section aria-labelledby="missing-cameras">
      <h3 id="missing-cameras" className="font-semibold">
        {t.cameras}
      </h3>
      {cameras.length === 0 ? (
        <p className="max-w-prose">{t.camerasNone}</p>
      ) : (
        <ul>
          {cameras.map(({ bodyId, change, adds, pictures }) => (
            <li key={`${bodyId} ${change}`}>
              {t.change[change](name(bodyId))}: {gainText(adds, work)}
              <span className="block text-[13px] text-soft">{pictures.map(named).join('; ')}</span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
