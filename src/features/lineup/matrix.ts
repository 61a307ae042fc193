import { type Frame } from '@/core/brief';
import { type Verdict, verdictOn } from '@/core/coverage';
import { type Kit, kitKey, mountableSetups, type Setup } from '@/core/gear';
import { bestOfEachKit, type LineupQuestion, type LineupResult } from '@/core/lineup';

/** Verdicts of the lineup's kits on every frame: frames as rows, kits as columns. */
export interface VerdictMatrix {
  readonly kits: readonly Kit[];
  readonly rows: readonly {
    readonly frame: Frame;
    readonly verdicts: readonly (Verdict | null)[];
  }[];
}

export function verdictMatrix(
  { frames, shelf, limits }: Pick<LineupQuestion, 'frames' | 'shelf' | 'limits'>,
  result: LineupResult,
): VerdictMatrix {
  const lensIds = new Set<string>(result.lineup.lensIds);
  const { converterIds, tubeIds, adapterIds } = result.lineup;
  const pieceIds = new Set<string>([...converterIds, ...tubeIds, ...adapterIds]);
  const setups: Setup[] = mountableSetups({
    mounts: shelf.mounts,
    bodies: shelf.bodies.filter((b) => result.bodies.includes(b.id)),
    lenses: shelf.lenses.filter((l) => lensIds.has(l.id)),
    converters: shelf.converters.filter((c) => pieceIds.has(c.id)),
    tubes: shelf.tubes.filter((t) => pieceIds.has(t.id)),
    adapters: shelf.adapters.filter((a) => pieceIds.has(a.id)),
  });
  const kits = [...new Map(setups.map((s) => [kitKey(s), s])).values()].sort(
    (a, b) => a.focal.wideMm - b.focal.wideMm || a.focal.longMm - b.focal.longMm,
  );
  return {
    kits,
    rows: frames.map((frame) => {
      const best = new Map(
        bestOfEachKit(setups.map((s) => verdictOn(s, frame, limits))).map((v) => [kitKey(v), v]),
      );
      return { frame, verdicts: kits.map((kit) => best.get(kitKey(kit)) ?? null) };
    }),
  };
}
