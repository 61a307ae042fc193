import type { Frame, FrameId, StretchId } from '@/core/brief';
import type { Body } from '@/core/gear';
import { type Hand, handsOf, isLoose } from './assignments';
import type { LineupQuestion } from './question';

/** One way in which a frame may come about: a stretch, who may make it there, and from how far. */
export interface Occasion {
  readonly frameId: FrameId;
  readonly stretchId: StretchId | null;
  readonly hands: readonly Hand[];
  /**
   * The frame as it is there: with the distances from that place, sealed in the wet, without the flash
   * or the support that is not allowed; one object where alike.
   */
  readonly frame: Frame;
}

/**
 * The occasions of a frame. Shooters who stand at the same distances share one, so that their
 * lenses add up; a frame is got when one of its occasions gets it, or, where two people are to cover
 * it, when each of theirs does. Where it may be made in any stretch, a stretch with everything at hand
 * stands for those that offer no more. A placed camera makes only what names it.
 */
export function occasionsOf(frame: Frame, hands: readonly Hand[]): Occasion[] {
  const stretches = new Set<StretchId>(frame.stretchIds);
  const shooters = new Set<string>(frame.shooterIds);
  const may = hands.filter(
    (h) =>
      (stretches.size === 0 || (h.stretchId !== null && stretches.has(h.stretchId))) &&
      (shooters.size === 0
        ? !h.placed || frame.views.some((v) => v.shooterId === h.shooterId)
        : h.shooterId !== null && shooters.has(h.shooterId)),
  );
  const apart = frame.twice?.by === 'people';
  const seen = new Map<string, { hands: Hand[]; frame: Frame }>();
  const alike = new Map<string, Frame>();
  for (const hand of may) {
    const own = frameAt(frame, hand);
    const place = `${distanceKey(own)} ${own.special.sealed} ${own.light.flash !== null} ${own.light.support}`;
    const there = alike.get(place) ?? own;
    alike.set(place, there);
    const key = `${hand.stretchId} ${distanceKey(there)} ${apart ? hand.shooterId : ''} ${hand.placed}`;
    const known = seen.get(key);
    if (known) known.hands.push(hand);
    else seen.set(key, { hands: [hand], frame: there });
  }
  const occasions = [...seen.values()].map((o) => ({
    frameId: frame.id,
    stretchId: o.hands[0]?.stretchId ?? null,
    ...o,
  }));
  if (apart) return occasions;
  return occasions.filter(
    (o, i) => !occasions.some((other, j) => j !== i && standsFor(other, o, j < i)),
  );
}

/** A frame as it is asked on each of its occasions, each once, first as it stands where it is. */
export function framesThere(
  frame: Frame,
  question: Pick<LineupQuestion, 'outing' | 'stretches' | 'limits'>,
  bodies: readonly Body[],
): readonly [Frame, ...Frame[]] {
  const there = new Set(occasionsOf(frame, handsOf(question, bodies)).map((o) => o.frame));
  const [first = frame, ...others] = there.has(frame)
    ? [frame, ...[...there].filter((f) => f !== frame)]
    : there;
  return [first, ...others];
}

/** Whether one occasion offers all that another does; of two alike the first stands. */
function standsFor(one: Occasion, other: Occasion, first: boolean): boolean {
  const [hand] = one.hands;
  if (!hand || one.hands.length > 1 || !isLoose(hand)) return false;
  if (distanceKey(one.frame) !== distanceKey(other.frame)) return false;
  if (asksMore(one.frame, other.frame)) return false;
  const bodies = new Set<string>(hand.bodyIds);
  if (!other.hands.every((h) => h.bodyIds.every((id) => bodies.has(id)))) return false;
  const [otherHand] = other.hands;
  const alike =
    !asksMore(other.frame, one.frame) &&
    other.hands.length === 1 &&
    otherHand !== undefined &&
    isLoose(otherHand) &&
    otherHand.bodyIds.length === hand.bodyIds.length;
  return !alike || first;
}

/** Whether a frame asks for more in one place than in another, distances aside. */
function asksMore({ special, light }: Frame, than: Frame): boolean {
  return (
    (special.sealed && !than.special.sealed) ||
    (light.flash === null && than.light.flash !== null) ||
    (light.support === 'hand' && than.light.support === 'support')
  );
}

/** The frame for one hand; the same object where nothing differs. */
function frameAt(frame: Frame, hand: Hand): Frame {
  const { need, special, light } = frame;
  const view = frame.views.find((v) => v.shooterId === hand.shooterId);
  const sealed = hand.wet && !special.sealed;
  const barred =
    (!hand.flash && light.flash !== null) || (!hand.support && light.support === 'support');
  const stands = hand.placed && light.support === 'hand';
  const moved = view !== undefined && need.kind === 'subject';
  if (!sealed && !barred && !moved && !stands) return frame;
  return {
    ...frame,
    need: moved ? { ...need, fromM: view.fromM, toM: view.toM } : need,
    special: sealed ? { ...special, sealed: true } : special,
    light:
      barred || stands
        ? {
            ...light,
            flash: hand.flash ? light.flash : null,
            support: hand.placed ? 'support' : hand.support ? light.support : 'hand',
          }
        : light,
  };
}

/** What makes the distances of two occasions of one frame the same. */
function distanceKey({ need }: Frame): string {
  return need.kind === 'subject' ? `${need.fromM} ${need.toM}` : '';
}
