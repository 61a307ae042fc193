import { eligibleGear, type Frame, type FrameId, setupsStay, type StretchId } from '@/core/brief';
import { type LensId, type Source, SOURCES } from '@/core/gear';
import { AS_DESCRIBED, changed, LineupAtHand } from '../explore/lineupAtHand';
import { LIMIT_KEYS, type LimitKey } from '../problem/limitRules';
import type { LineupQuestion } from '../problem/question';
import type { FrameResult, LineupResult } from './result';

/** One change by which a lost picture can be got. */
export type Freeing =
  | { readonly kind: 'limit'; readonly key: LimitKey; readonly to: number }
  /** Lenses may be changed there; null for the whole outing. */
  | { readonly kind: 'changes'; readonly stretchId: StretchId | null }
  /** Gear of this ownership may be used. */
  | { readonly kind: 'source'; readonly source: Source }
  /** A lens that was left out by hand. */
  | { readonly kind: 'unlock'; readonly lensId: LensId }
  | { readonly kind: 'iso'; readonly to: number }
  | { readonly kind: 'crop'; readonly to: number }
  /** Every distance so many times as large. */
  | { readonly kind: 'distance'; readonly times: number };

/** A question with such a change made. */
export function freed(
  question: LineupQuestion,
  freeing: Freeing,
  frameId: FrameId,
): LineupQuestion {
  const { limits, stretches, frames } = question;
  const withLimits = (change: Partial<typeof limits>) => ({
    ...question,
    limits: { ...limits, ...change },
  });
  const withFrame = (change: (f: Frame) => Frame) => ({
    ...question,
    frames: frames.map((f) => (f.id === frameId ? change(f) : f)),
  });
  switch (freeing.kind) {
    case 'limit':
      return withLimits({ [freeing.key]: freeing.to });
    case 'changes':
      return {
        ...withLimits({ neverChange: false }),
        stretches: stretches.map((s) =>
          freeing.stretchId === null || s.id === freeing.stretchId ? { ...s, changes: true } : s,
        ),
      };
    case 'source':
      return withLimits({ sources: [...limits.sources, freeing.source] });
    case 'unlock':
      return withLimits({ lockedOut: limits.lockedOut.filter((id) => id !== freeing.lensId) });
    case 'iso': {
      const lighter = withFrame((f) => ({
        ...f,
        light: {
          ...f.light,
          isoCeiling: f.light.isoCeiling && Math.max(f.light.isoCeiling, freeing.to),
        },
      }));
      return {
        ...lighter,
        limits: { ...limits, isoCeiling: Math.max(limits.isoCeiling, freeing.to) },
      };
    }
    case 'crop':
      return withLimits({ maxCrop: freeing.to });
    case 'distance':
      return withFrame((f) => changed(f, { ...AS_DESCRIBED, distance: freeing.times }));
  }
}

/** Steps in which another distance is looked for, and how far. */
const DISTANCE_STEP = 1.1;
const MOST_STEPS = 24;
/** Setups beyond which no other distance is looked for: a large shelf has what there is. */
const MOST_SETUPS = 600;

/**
 * What would free one lost picture, by a change each: a limit raised to what is needed, a change of lens,
 * gear that may not be used, a higher ISO, a larger crop, another distance. What something must be able
 * to cover first is tried with all that may be used.
 */
export function freeingsOf(
  question: LineupQuestion,
  result: LineupResult,
  frame: FrameResult,
): Freeing[] {
  if (frame.kept !== null)
    return frame.kept.waysOut.flatMap((way): Freeing[] => {
      if (way.kind === 'changes') {
        // Where a place forbids bags, nobody here can allow it.
        const stretch = question.stretches.find((s) => s.id === way.stretchId);
        if (stretch && setupsStay({ ...stretch, changes: true })) return [];
        return [{ kind: 'changes', stretchId: way.stretchId }];
      }
      if (way.kind !== 'raise' || !('needed' in way.member)) return [];
      const { kind, needed } = way.member;
      const key = LIMIT_KEYS.find((k) => k === kind);
      return key === undefined || needed === null ? [] : [{ kind: 'limit', key, to: needed }];
    });
  if (frame.impossible.length === 0) return [];
  const { limits } = question;
  const able = result.lensesOut.filter((l) => l.makes.includes(frame.frameId));
  const ownerships = new Map(question.shelf.lenses.map((l) => [l.id, l.ownership]));
  const owned = new Set(
    able.filter((l) => l.reason === 'source').map((l) => ownerships.get(l.lensId)),
  );
  const sources = SOURCES.filter((s) => owned.has(s) && !limits.sources.includes(s));
  const shortfall = frame.nearest?.shortfall;
  const iso = shortfall && 'isoNeeded' in shortfall ? shortfall.isoNeeded : null;
  const crop = shortfall?.code === 'not-long-enough' ? shortfall.cropNeeded : null;
  const ways: Freeing[] = [
    ...able.flatMap((l): Freeing[] =>
      l.reason === 'locked-out' ? [{ kind: 'unlock', lensId: l.lensId }] : [],
    ),
    ...sources.map((source): Freeing => ({ kind: 'source', source })),
    ...(iso === null ? [] : [{ kind: 'iso' as const, to: Math.ceil(iso / 100) * 100 }]),
    ...(crop === null || crop > 10
      ? []
      : [{ kind: 'crop' as const, to: Math.ceil(crop * 20) / 20 }]),
  ];
  const tried = ways.filter((way) => couldGet(freed(question, way, frame.frameId), frame.frameId));
  return [...tried, ...otherDistance(question, frame.frameId)];
}

/** All that may be used, at hand everywhere. */
function everything(question: LineupQuestion): LineupAtHand {
  const { lenses, converters, tubes, adapters, bodies } = eligibleGear(
    question.shelf,
    question.limits,
  );
  const lineup = {
    lensIds: lenses.map((l) => l.id),
    converterIds: converters.map((c) => c.id),
    tubeIds: tubes.map((t) => t.id),
    adapterIds: adapters.map((a) => a.id),
  };
  return new LineupAtHand(question, { lineup, bodies: bodies.map((b) => b.id), hands: [] });
}

function couldGet(question: LineupQuestion, frameId: FrameId): boolean {
  const frame = question.frames.find((f) => f.id === frameId);
  return frame !== undefined && everything(question).gets(frame);
}

/** The nearest other distance at which something covers a picture, as a quotient. */
function otherDistance(question: LineupQuestion, frameId: FrameId): Freeing[] {
  const frame = question.frames.find((f) => f.id === frameId);
  if (frame?.need.kind !== 'subject') return [];
  const atHand = everything(question);
  if (atHand.setupCount > MOST_SETUPS) return [];
  for (let step = 1; step <= MOST_STEPS; step += 1)
    for (const times of [DISTANCE_STEP ** -step, DISTANCE_STEP ** step])
      if (atHand.gets(changed(frame, { ...AS_DESCRIBED, distance: times })))
        return [{ kind: 'distance', times }];
  return [];
}
