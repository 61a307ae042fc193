import { type FrameId, minutesBetween, minutesOf, type Stretch, timeOf } from '@/core/brief';
import type { LineupResult } from '@/core/lineup';
import type { CarryQuestion } from './plan';
import { takenItems } from './tasks';

/** What may go wrong after planning. */
export type Scenario =
  | { readonly kind: 'breaks'; readonly id: string }
  | { readonly kind: 'late'; readonly hours: number }
  | { readonly kind: 'wet' };

/**
 * The question that is left when something goes wrong: only what comes along may be used, without
 * what breaks; an hour late, the stretches of the first day that are over by then fall away and the
 * others keep what is left of them; in the wet, only what is sealed counts.
 */
export function afterScenario(
  question: CarryQuestion,
  result: LineupResult,
  scenario: Scenario,
): CarryQuestion {
  const along = new Set(takenItems(result));
  const broken = scenario.kind === 'breaks' ? scenario.id : null;
  const isLeft = (item: { readonly id: string }) => along.has(item.id) && item.id !== broken;
  const { shelf, limits } = question;
  const lenses = shelf.lenses.filter(isLeft);
  const lensIds = new Set<string>(lenses.map((l) => l.id));
  const stretches = stretchesLeft(question.stretches, scenario);
  const left = new Set<string>(stretches.map((s) => s.id));
  const gone = question.stretches.length > 0 && stretches.length < question.stretches.length;
  return {
    ...question,
    stretches: stretches.map((s) => ({
      ...s,
      hands: s.hands.map((h) => ({ ...h, bodyIds: h.bodyIds.filter((id) => id !== broken) })),
    })),
    frames: question.frames
      .filter((f) => !gone || f.stretchIds.length === 0 || f.stretchIds.some((id) => left.has(id)))
      .map((f) => ({ ...f, stretchIds: f.stretchIds.filter((id) => left.has(id)) })),
    shelf: {
      ...shelf,
      bodies: shelf.bodies.filter((b) => b.id !== broken),
      lenses,
      converters: shelf.converters
        .filter(isLeft)
        .map((c) => ({ ...c, lensIds: c.lensIds.filter((id) => lensIds.has(id)) })),
      tubes: shelf.tubes.filter(isLeft),
      adapters: shelf.adapters.filter(isLeft),
    },
    limits: {
      ...limits,
      lockedIn: [],
      lockedOut: limits.lockedOut.filter((id) => id !== broken),
      // A spare body stands in for one that breaks.
      spares: shelf.bodies.some((b) => b.id === broken) ? [] : limits.spares,
      maxLenses: null,
      wantRatePercent: 0,
    },
  };
}

/** Frames that the plan got and what is left does not. */
export function lostTo(before: LineupResult, after: LineupResult): FrameId[] {
  const still = new Set(after.frames.filter((f) => f.state !== 'lost').map((f) => f.frameId));
  return before.frames
    .filter((f) => f.state !== 'lost' && !still.has(f.frameId))
    .map((f) => f.frameId);
}

function stretchesLeft(stretches: readonly Stretch[], scenario: Scenario): Stretch[] {
  if (scenario.kind === 'wet')
    return stretches.map((s) => ({ ...s, weather: [...new Set([...s.weather, 'wet' as const])] }));
  if (scenario.kind !== 'late') return [...stretches];
  const firstDay = stretches.map((s) => s.day ?? '').sort()[0] ?? '';
  const ofFirst = stretches.filter((s) => (s.day ?? '') === firstDay && s.fromTime !== null);
  const start = Math.min(...ofFirst.map((s) => minutesOf(s.fromTime ?? '')));
  if (!Number.isFinite(start)) return [...stretches];
  const from = start + 60 * scenario.hours;
  return stretches.flatMap((s) => {
    if ((s.day ?? '') !== firstDay || s.fromTime === null || s.toTime === null) return [s];
    const begins = minutesOf(s.fromTime);
    if (begins + minutesBetween(s.fromTime, s.toTime) <= from) return [];
    return [begins >= from ? s : { ...s, fromTime: timeOf(from) }];
  });
}
