import { AT_EASE, type Pace } from '@/core/pace';
import type { Adapter, AdapterId } from './adapter';
import type { Body } from './body';
import type { Converter, ConverterId } from './converter';
import type { Lens, LensId } from './lens';
import { mountFits, type Shelf } from './shelf';
import type { Tube, TubeId } from './tube';

/** What is carried for a setup: the lens and what stands between it and the body. */
export interface Stack {
  readonly lensId: LensId;
  readonly adapterId: AdapterId | null;
  readonly converterId: ConverterId | null;
  readonly tubeId: TubeId | null;
}

/** A mountable stack, from the body outwards: adapter, then converter or tube, then lens. */
export interface MountedStack {
  readonly body: Body;
  readonly adapter: Adapter | null;
  readonly converter: Converter | null;
  readonly tube: Tube | null;
  readonly lens: Lens;
}

/**
 * Every stack that can be mounted: a lens that fits the body, or fits it by one adapter in its
 * direction; at most one converter made for the lens, or one tube of its mount. A converter and a
 * tube are never stacked, nor two of either.
 */
export function mountableStacks(shelf: Shelf, pace: Pace = AT_EASE): MountedStack[] {
  const convertersByLens = new Map<LensId, Converter[]>();
  for (const c of shelf.converters) {
    for (const id of c.lensIds) convertersByLens.set(id, [...(convertersByLens.get(id) ?? []), c]);
  }
  return shelf.bodies.flatMap((body) => {
    const carriers = [
      { adapter: null, mount: body.mount },
      ...shelf.adapters
        .filter((a) => mountFits(shelf.mounts, body.mount, a.bodyMount))
        .map((adapter) => ({ adapter, mount: adapter.lensMount })),
    ];
    return carriers.flatMap(({ adapter, mount }) => {
      const fits = (other: string) => mountFits(shelf.mounts, mount, other);
      const tubes = shelf.tubes.filter((t) => fits(t.mount));
      return shelf.lenses
        .filter((lens) => fits(lens.mount))
        .filter((lens) => adapter === null || !mountFits(shelf.mounts, body.mount, lens.mount))
        .flatMap((lens) => {
          pace();
          const bare = { body, adapter, converter: null, tube: null, lens };
          const converters = (convertersByLens.get(lens.id) ?? []).filter((c) => fits(c.mount));
          return [
            bare,
            ...converters.map((converter) => ({ ...bare, converter })),
            ...tubes
              .filter((t) => mountFits(shelf.mounts, t.mount, lens.mount))
              .map((tube) => ({ ...bare, tube })),
          ];
        });
    });
  });
}

/** The ids of a stack's items, lens first. */
export function stackItemIds(stack: Stack): readonly string[] {
  const items: string[] = [stack.lensId];
  if (stack.adapterId !== null) items.push(stack.adapterId);
  if (stack.converterId !== null) items.push(stack.converterId);
  if (stack.tubeId !== null) items.push(stack.tubeId);
  return items;
}

/** Whether a stack is a lens and nothing else. */
export function isBare(stack: Stack): boolean {
  return stack.adapterId === null && stack.converterId === null && stack.tubeId === null;
}

export function stackKey(stack: Stack): string {
  return isBare(stack) ? stack.lensId : stackItemIds(stack).join('+');
}
