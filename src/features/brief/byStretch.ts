import type { Frame } from '@/core/brief';
import { briefFormText } from '@/text';

const t = briefFormText.sheet;

interface Group {
  /** Of the stretch; `any` where there is none. */
  readonly key: string;
  readonly title: string;
  readonly frames: readonly Frame[];
}

/** By the first stretch that each picture may be made in; those of any stretch come first. */
export function byStretch(
  frames: readonly Frame[],
  stretches: readonly { readonly id: string; readonly name: string }[],
): Group[] {
  const first = ({ stretchIds }: Frame) =>
    stretches.find((s) => stretchIds.some((id) => id === s.id))?.id ?? null;
  return [{ id: null, name: stretches.length > 0 ? t.anyStretch : t.allPictures }, ...stretches]
    .map((s) => ({
      key: s.id ?? 'any',
      title: s.name,
      frames: frames.filter((frame) => first(frame) === s.id),
    }))
    .filter((group) => group.frames.length > 0);
}
