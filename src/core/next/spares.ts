import { eligibleGear, type FrameId } from '@/core/brief';
import { coversAlone } from '@/core/coverage';
import { type BodyId, type LensId, mountableSetups, type Setup, type Shelf } from '@/core/gear';
import { type NextField, questionWith } from './field';

/** What stands alone once some things are sold: where it breaks, nothing of one's own stands in. */
export interface LeftAlone {
  /** Each lens that is the last of several by which a must is covered alone. */
  readonly lenses: readonly {
    readonly lensId: LensId;
    /** Musts, with the number of their outing. */
    readonly musts: readonly { readonly outing: number; readonly frameId: FrameId }[];
  }[];
  /** The camera that is the last of several; null where more are left, or there was but one. */
  readonly bodyId: BodyId | null;
}

/**
 * What stands alone once some things are sold. A must counts for a lens that covers it by itself, with
 * whatever is behind it, on any camera, as the must is described.
 *
 * @param had what is had now
 */
export function leftAlone(
  { outings, sellable, wished }: NextField,
  had: ReadonlySet<string>,
  gone: ReadonlySet<string>,
): LeftAlone {
  const last = new Map<LensId, { outing: number; frameId: FrameId }[]>();
  const bodies = { before: new Set<BodyId>(), after: new Set<BodyId>() };
  const traded = new Set([...sellable, ...wished].map(({ id }) => id));
  for (const [outing, of] of outings.entries()) {
    const { frames, limits } = of.question;
    const there = (items: ReadonlySet<string>) => {
      const { shelf } = questionWith(of, (id) => traded.has(id), items);
      return { ...shelf, ...eligibleGear(shelf, limits) };
    };
    const own = there(had);
    const left = there(new Set([...had].filter((id) => !gone.has(id))));
    for (const { id } of own.bodies) bodies.before.add(id);
    for (const { id } of left.bodies) bodies.after.add(id);
    const [now, then] = [ofEachLens(own), ofEachLens(left)];
    for (const frame of frames) {
      if (frame.want !== 'must') continue;
      const covering = (setups: SetupsOfLens) =>
        own.lenses.filter(({ id }) => coversAlone(setups.get(id) ?? [], frame, limits));
      const [only, ...more] = covering(then);
      if (!only || more.length > 0 || covering(now).length < 2) continue;
      last.set(only.id, [...(last.get(only.id) ?? []), { outing, frameId: frame.id }]);
    }
  }
  const [body, ...others] = bodies.after;
  const isLast = body !== undefined && others.length === 0 && bodies.before.size > 1;
  return {
    lenses: [...last].map(([lensId, musts]) => ({ lensId, musts })),
    bodyId: isLast ? body : null,
  };
}

type SetupsOfLens = ReadonlyMap<LensId, readonly Setup[]>;

function ofEachLens(shelf: Shelf): SetupsOfLens {
  const setups = new Map<LensId, Setup[]>();
  for (const setup of mountableSetups(shelf))
    setups.set(setup.lensId, [...(setups.get(setup.lensId) ?? []), setup]);
  return setups;
}
