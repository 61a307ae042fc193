'use client';

import { useState } from 'react';
import { type LensOut, type LineupResult } from '@/core/lineup';
import { setLock } from '@/document';
import {
  behindText,
  counted,
  LIMIT_REASONS,
  lineupText,
  namesOf,
  OWNERSHIPS,
  plainList,
  shortfallText,
} from '@/text';
import { useEdit, useFile } from '@/session';
import { Button } from '@/ui';
import { Answer } from './Answer';
import { useLensLacks } from './useVerdicts';

const t = lineupText.outTable;

const SHOWN = 60;

/** Why each other lens stays out, and what it lacks. */
export function OutTable({ result }: { result: LineupResult }) {
  const file = useFile();
  const edit = useEdit();
  const name = namesOf(file);
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const order = [...result.lensesOut].sort(
    (a, b) => b.wouldAdd.length - a.wouldAdd.length || b.makes.length - a.makes.length,
  );
  return (
    <section aria-label={t.leftOut}>
      <Answer>{answerText(result.lensesOut)}</Answer>
      <ul>
        {order.slice(0, SHOWN).map((out) => (
          <li
            key={out.lensId}
            className="flex items-start justify-between gap-4 border-b border-hair py-1.5"
          >
            <details
              className="min-w-0"
              onToggle={(e) => e.currentTarget.open && setOpened(new Set([...opened, out.lensId]))}
            >
              <summary>
                <span className="font-semibold">{name(out.lensId)}</span>{' '}
                <span className="text-soft">
                  {reasonText(
                    out,
                    file.shelf.lenses.find((l) => l.id === out.lensId)?.ownership,
                    name,
                  )}
                </span>
              </summary>
              {opened.has(out.lensId) && <Lacks out={out} name={name} />}
            </details>
            <Button
              look="quiet"
              aria-label={t.take(name(out.lensId))}
              onClick={() => edit(setLock(out.lensId, 'in'))}
            >
              {t.take2}
            </Button>
          </li>
        ))}
      </ul>
      {order.length > SHOWN && (
        <p className="mt-2 text-soft">
          {t.andMoreThatCoverLess(counted(order.length - SHOWN, 'lens'))}
        </p>
      )}
    </section>
  );
}

function answerText(out: readonly LensOut[]): string {
  if (out.length === 0) return lineupText.lineupPage.noneOut;
  return lineupText.lineupPage.out(out.length, out.filter((l) => l.wouldAdd.length > 0).length);
}

/** Worked out only for lenses that someone asks about. */
function Lacks({ out, name }: { out: LensOut; name: (id: string) => string }) {
  const file = useFile();
  const lacks = useLensLacks(file, out.lensId);
  return (
    <>
      <p className="mt-1">
        {t.onItsOwnItCovers(plainList(out.makes.map(name)) || t.noneOfThePictures)}
      </p>
      <ul className="mt-1 space-y-0.5 text-[13px]">
        {lacks.map((lack) => (
          <li key={lack.frameId}>
            {name(lack.frameId)}: <span className="text-soft">{shortfallText(lack.shortfall)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Why a lens covers nothing on its own. */
function aloneText(alone: LensOut['alone'], name: (id: string) => string): string {
  if (alone === null) return t.coversNoPictureOnIts;
  if (alone.kind === 'only-with')
    return t.coversOnlyWith(behindText(alone.stack, name), plainList(alone.frameIds.map(name)));
  const { frameId, shortfall } = alone.lack;
  return t.coversNoneNearest(name(frameId), shortfallText(shortfall));
}

function reasonText(
  out: LensOut,
  ownership: keyof typeof OWNERSHIPS | undefined,
  name: (id: string) => string,
): string {
  const adds = plainList(out.wouldAdd.map(name));
  switch (out.reason) {
    case 'locked-out':
      return t.youLeftItOut;
    case 'source':
      return t.isExcludedByYourLimits(ownership ? OWNERSHIPS[ownership] : t.notHere);
    case 'kind':
      return t.aKindOfLensYour;
    case 'no-body':
      return t.fitsNoCameraYoureBringing;
    case 'adds-nothing':
      return out.makes.length > 0
        ? t.addsNothingTheLineupAlready(counted(out.makes.length, 'picture'))
        : aloneText(out.alone, name);
    case 'unknown-decides':
      return t.wouldDoIfKnown;
    case 'bonus-only':
      return t.wouldAddOnlyABonus(adds);
    case 'limit':
      return t.wouldAddButALimit(adds);
    case 'earns-too-little':
      return t.wouldAddLessThanEach(adds);
    default:
      return LIMIT_REASONS[out.reason];
  }
}
