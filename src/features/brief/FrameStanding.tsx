'use client';

import type { Frame } from '@/core/brief';
import { stackKey } from '@/core/gear';
import type { Cover } from '@/core/lineup';
import {
  ASSUMPTION_TEXTS,
  briefFormText,
  conflictText,
  formatCrop,
  isCropped,
  formatMegapixels,
  formatStops,
  stackName,
  marginSteps,
  namesOf,
  stationName,
  ONCE_REASONS,
  plainList,
  positionTexts,
  shortfallText,
} from '@/text';
import { useFile, useFrameResults } from '@/session';
import { Figure, StateMark } from '@/parts';

const t = briefFormText.frameStanding;

/** How the chosen frame stands with the lineup: what makes it and with what to spare. */
export function FrameStanding({ frame }: { frame: Frame }) {
  const file = useFile();
  const standing = useFrameResults()?.find((f) => f.frameId === frame.id);
  if (!standing) return null;
  const name = namesOf(file);
  const setupName = (c: Cover) =>
    t.on(
      stackName(c, name),
      name(c.bodyId),
      [
        ...(c.stretchId ? [`, ${name(c.stretchId)}`] : []),
        ...(c.stationId ? [t.fromStation(stationName(file, c.stationId))] : []),
      ].join(''),
    );
  const shownCovers = standing.covers.slice(0, 4);
  const places = positionTexts(standing.unit, [
    standing.missing,
    ...shownCovers.map((c) => c.ranges),
  ]);
  return (
    <div>
      <p className={standing.state === 'lost' ? 'text-wrong' : ''}>
        <StateMark state={standing.state} /> {STATES[standing.state]}
      </p>
      <ul className="mt-1 space-y-1 text-[13px]">
        {shownCovers.map((c, i) => (
          <li key={`${c.stretchId} ${stackKey(c)}`}>
            {setupName(c)}: {places[i + 1]}
            {spare(c) !== null && (
              <span className="text-soft">
                {' '}
                <Figure
                  label={t.withIt(frame.name, setupName(c))}
                  steps={() => marginSteps(c.margins, standing.unit)}
                >
                  ({spare(c)})
                </Figure>
              </span>
            )}
            {c.assumed.length > 0 && (
              <span className="block text-soft">
                {plainList(c.assumed.map((code) => ASSUMPTION_TEXTS[code]))}
              </span>
            )}
          </li>
        ))}
        {standing.nearest && (
          <li>
            {t.nearestMiss(setupName(standing.nearest))}
            {standing.nearest.shortfall && (
              <>
                ,{' '}
                <Figure
                  label={t.withIt(frame.name, setupName(standing.nearest))}
                  steps={() =>
                    standing.nearest ? marginSteps(standing.nearest.margins, standing.unit) : []
                  }
                >
                  {shortfallText(standing.nearest.shortfall)}
                </Figure>
              </>
            )}
          </li>
        )}
        {standing.once && <li>{ONCE_REASONS[standing.once]}</li>}
        {standing.conflict && <li>{conflictText(standing.conflict)}</li>}
        {standing.missing.length > 0 && standing.covers.length > 0 && (
          <li>{t.notCovered(places[0] ?? '')}</li>
        )}
      </ul>
    </div>
  );
}

const STATES = {
  clear: t.covered,
  crop: t.coveredByCropping,
  once: t.coveredOnce,
  lost: t.notCovered2,
} as const;

/** What a cover has to spare, or the crop that it needs; null when there is nothing to say. */
function spare({ code, margins }: Cover): string | null {
  if (code === 'part') return null;
  const light = margins.light === null ? [] : [t.spareLightOf(formatStops(margins.light.stops))];
  const crop = isCropped(margins.crop)
    ? [
        t.crop(
          formatCrop(margins.crop),
          margins.megapixelsLeft === null ? '' : t.left(formatMegapixels(margins.megapixelsLeft)),
        ),
      ]
    : [];
  const all = [...crop, ...light];
  return all.length > 0 ? all.join('; ') : null;
}
