'use client';

import Link from 'next/link';
import { ev100OfSource } from '@/core/brief';
import { apertureEnds, stackKey, stackItemIds } from '@/core/gear';
import {
  besideText,
  formatFNumbers,
  formatFocalRange,
  stackName,
  lightText,
  marginSteps,
  namesOf,
  needText,
  reachText,
  shortfallText,
} from '@/text';
import { type Lock, lockOf, setLock } from '@/document';
import { useAnswer, useEdit, useFile } from '@/session';
import { Choice } from '@/ui';
import { besideHref, StateMark, Figure } from '@/parts';
import type { Highlight } from './chartOption';
import type { Service } from './service';
import { Through } from './Through';

const t = reachText.details;

const LOCKS: [Lock, string][] = [
  ['in', t.lockIn],
  ['free', t.letItChoose],
  ['out', t.leaveOut],
];
const SHOWN = 40;

/** What is pointed at or chosen: a lens with its pictures, or a picture with the lenses that can. */
export function Details({
  highlight,
  services,
}: {
  highlight: Highlight | null;
  services: readonly Service[];
}) {
  const file = useFile();
  const edit = useEdit();
  const { result } = useAnswer();
  if (highlight === null) {
    return <p className="border-t border-hair pt-3 text-soft">{t.pointAtALensTo}</p>;
  }
  const lens = file.shelf.lenses.find((l) => l.id === highlight.id);
  const frame = file.frames.find((f) => f.id === highlight.id);
  const name = namesOf(file);
  const labelOf = (s: Service) => {
    if (!lens) return stackName(s, name);
    const behind = stackItemIds(s).slice(1).map(name);
    return behind.length > 0 ? t.withIt(name(s.frameId), behind.join(' + ')) : name(s.frameId);
  };
  const covered = services.filter((s) => s.shortfall === null);
  const unable = services.filter((s) => s.shortfall !== null);
  return (
    <div className="space-y-3 border-t border-ink pt-2">
      <div>
        <h2 className="text-lg leading-tight">{lens?.name ?? frame?.name}</h2>
        {lens && (
          <p className="text-soft">
            {lens.maker}, {formatFocalRange(lens.focal.wideMm, lens.focal.longMm)},{' '}
            {formatFNumbers(...apertureEnds(lens.apertures))}
          </p>
        )}
        {frame && (
          <p className="text-soft">
            {needText(frame.need)}; {lightText(frame.light, ev100OfSource(frame.light.source))}
          </p>
        )}
      </div>
      {lens && (
        <Choice
          label={t.forThisOuting}
          value={lockOf(file.limits, lens.id)}
          options={LOCKS}
          onChange={(next) => edit(setLock(lens.id, next))}
        />
      )}
      {lens && (
        <Link
          prefetch={false}
          className="block underline"
          href={besideHref([lens.id, ...(result?.lineup.lensIds ?? [])])}
        >
          {besideText.withLineup}
        </Link>
      )}
      <Through key={highlight.id} frame={frame ?? null} services={services} />
      <ServiceList
        title={lens ? t.coversAlone : t.coversItAlone}
        services={covered}
        labelOf={labelOf}
      />
      <ServiceList title={lens ? t.doesntCover : t.cant} services={unable} labelOf={labelOf} />
    </div>
  );
}

function ServiceList({
  title,
  services,
  labelOf,
}: {
  title: string;
  services: readonly Service[];
  labelOf: (s: Service) => string;
}) {
  if (services.length === 0) return null;
  return (
    <div>
      <h3 className="text-[12px] text-soft">
        {title} ({services.length})
      </h3>
      <ul className="text-[13px]">
        {services.slice(0, SHOWN).map((s) => (
          <li key={`${s.frameId} ${stackKey(s)}`} className="border-b border-hair py-0.5">
            {s.shortfall === null && <StateMark state={s.byCrop ? 'crop' : 'clear'} />} {labelOf(s)}
            {s.shortfall && (
              <span className="block text-soft">
                <Figure label={t.whyNot(labelOf(s))} steps={() => marginSteps(s.margins, s.unit)}>
                  {shortfallText(s.shortfall)}
                </Figure>
              </span>
            )}
          </li>
        ))}
      </ul>
      {services.length > SHOWN && <p className="text-soft">{t.andMore(services.length - SHOWN)}</p>}
    </div>
  );
}
