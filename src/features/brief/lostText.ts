import type { FrameResult } from '@/core/lineup';
import { briefText, shortfallWord } from '@/text';

const t = briefText.frameList;

/** Why a picture is lost, in a few words. */
export function lostText({ nearest, impossible, noStation }: FrameResult): string {
  if (noStation !== null) return t.noStation[noStation];
  const lack = nearest?.shortfall;
  if (lack) return shortfallWord(lack.code);
  return impossible.length > 0 ? t.noLensCoversIt : t.leftOut;
}
