import { hasReserve, NO_RESERVE, type Reserve } from '@/core/brief';
import { verdictOn, byVerdict } from '@/core/coverage';
import { mountableSetups, type Setup, stackItemIds, withItems } from '@/core/gear';
import {
  type Assignment,
  assignmentsOf,
  type Cover,
  coverOf,
  everyOpportunityOf,
  type FrameResult,
  type LineupQuestion,
} from '@/core/lineup';
import type { CarryPlan, OnBody } from './plan';

type Stretches = Pick<CarryPlan, 'stretches'>;

/**
 * What makes each frame, first what the plan makes it with, on the body that it hangs on there: result
 * and plan then name the same things.
 */
export function framesAsPlanned(
  question: LineupQuestion,
  frames: readonly FrameResult[],
  plan: Stretches,
): FrameResult[] {
  const assignments = assignmentsOf(question, question.shelf.bodies);
  const held = new Set(
    plan.stretches.flatMap(({ stretchId, hands }) =>
      hands.map((h) => `${stretchId} ${h.shooterId} ${h.stationId}`),
    ),
  );
  const isHeld = ({ stretchId, shooterId, stationId }: Assignment) =>
    held.has(`${stretchId} ${shooterId} ${stationId}`);
  return frames.map((result) => {
    const frame = question.frames.find((f) => f.id === result.frameId);
    const used = frame ? plannedFor(frame.id, plan) : [];
    if (!frame || used.length === 0) return result;
    const coveredWith = (reserve: Reserve | null) => {
      const opportunities = everyOpportunityOf(frame, assignments, frame.twice, reserve);
      return used.flatMap(({ stretchId, shooterId, on }): Cover[] => {
        const setups = setupsOn(question, on);
        const [best] = opportunities
          .filter(
            (o) =>
              o.stretchId === stretchId &&
              o.assignments.some((a) => a.shooterId === shooterId && isHeld(a)),
          )
          .flatMap((there) =>
            setups.map((setup) => {
              const verdict = verdictOn(setup, there.frame, question.limits);
              return { setup, there, verdict };
            }),
          )
          .sort((a, b) => byVerdict(a.verdict, b.verdict));
        if (!best || best.verdict.covered.length === 0) return [];
        return [coverOf(best.verdict, best.there, { ...best, frame: best.there.frame })];
      });
    };
    const asHeld = coveredWith(null);
    // What nothing covers with the reserve is planned as it is described.
    const isWithReserve = asHeld.length > 0 || !hasReserve(question.limits.reserve);
    const first = isWithReserve ? asHeld : coveredWith(NO_RESERVE);
    const keyOf = (c: Cover) => `${c.stretchId} ${stackItemIds(c).join()}`;
    const known = new Set(first.map(keyOf));
    return { ...result, covers: [...first, ...result.covers.filter((c) => !known.has(keyOf(c)))] };
  });
}

/** With what, where and by whom the plan makes a frame. */
function plannedFor(frameId: FrameResult['frameId'], { stretches }: Stretches) {
  return stretches.flatMap(({ stretchId, hands }) =>
    hands.flatMap(({ shooterId, doings }) =>
      doings.flatMap((d) =>
        d.kind === 'frame' && d.frameId === frameId
          ? d.with.map((on) => ({ stretchId, shooterId, on }))
          : [],
      ),
    ),
  );
}

/** The setups of some items on a body: two where a converter is built in. */
function setupsOn({ shelf }: LineupQuestion, { bodyId, pieceIds }: OnBody): Setup[] {
  const ids = new Set<string>(pieceIds);
  const bodies = shelf.bodies.filter((b) => b.id === bodyId);
  return mountableSetups({ ...withItems(shelf, ({ id }) => ids.has(id)), bodies }).filter(
    (s) => stackItemIds(s).length === ids.size,
  );
}
