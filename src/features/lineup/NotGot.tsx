'use client';

import type { FrameResult, LineupResult } from '@/core/lineup';
import { kitName, namesOf } from '@/document';
import { useFile } from '@/session';
import { placeText, shortfallText, StateMark, WANTS } from '@/ui';

/** The pictures that the lineup leaves, with the nearest miss and what it lacks. */
export function NotGot({ result }: { result: LineupResult }) {
  const name = namesOf(useFile());
  const lost = result.frames.filter((f) => f.state === 'lost');
  if (lost.length === 0) return null;
  return (
    <section aria-labelledby="not-got">
      <h2 id="not-got" className="mb-1 text-lg">
        Not got
      </h2>
      <ul>
        {lost.map((frame) => (
          <li key={frame.frameId} className="border-b border-hair py-1.5">
            <StateMark state={frame.nearest?.shortfall?.code === 'too-slow' ? 'slow' : 'lost'} />{' '}
            <span className="font-semibold">{name(frame.frameId)}</span>{' '}
            <span className="text-soft">{WANTS[frame.want]}</span>
            <span className="block text-[13px]">{whyLost(frame, result, name)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Lenses named before the rest is only counted. */
const NAMED = 4;

function whyLost(
  frame: FrameResult,
  { lensesOut }: LineupResult,
  name: (id: string) => string,
): string {
  const places = frame.impossible.map((r) => placeText(frame.unit, r.from, r.to)).join(' and ');
  const miss = frame.nearest;
  const setup = miss ? `${kitName(miss, name)} on ${name(miss.bodyId)}` : '';
  if (frame.impossible.length === 0) {
    const able = lensesOut.filter((l) => l.makes.includes(frame.frameId) && l.reason !== 'source');
    const who = able.slice(0, NAMED).map((l) => name(l.lensId));
    return `${who.length > 0 ? `${who.join(', ')}${able.length > NAMED ? ` and ${able.length - NAMED} more` : ''} could make it` : 'Gear that may be used could make it together'}, but ${frame.want === 'bonus' ? 'a bonus never brings a lens in' : 'the limits or the rate leave no room'}.`;
  }
  if (!miss) return 'No lens that may be used fits a body that comes along.';
  const lack = miss.shortfall ? shortfallText(miss.shortfall) : 'makes it';
  const where = frame.unit === 'm' ? ` Nothing makes it at ${places}.` : '';
  return `Nearest: ${setup}, ${lack}.${where}`;
}
