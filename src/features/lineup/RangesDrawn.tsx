'use client';

import type { LineupResult } from '@/core/lineup';
import { type BandRow, RangeBands } from '@/parts';
import { scoreOf, type ScoreRange } from '@/parts/score';
import { useFile } from '@/session';
import { lineupText, namesOf } from '@/text';

/** The ranges of the lineup on the cameras that come along, with what converters and crops add. */
export function RangesDrawn({ result }: { readonly result: LineupResult }) {
  const file = useFile();
  const name = namesOf(file);
  const { lines } = scoreOf(result, file);
  const rows = lines.map(({ lensId, bare, converted, cropped }): BandRow => ({
    key: lensId,
    words: name(lensId),
    range: intervalOf(bare),
    beyond: [
      ...(converted === null
        ? []
        : [{ by: 'converter' as const, range: intervalOf(past(bare, converted)) }]),
      ...(cropped === null ? [] : [{ by: 'crop' as const, range: intervalOf(cropped) }]),
    ],
  }));
  return (
    <RangeBands
      rows={rows}
      gaps={result.gaps}
      overlaps={result.overlaps}
      label={lineupText.lineupPage.rangesDrawn}
    />
  );
}

const intervalOf = ({ fromMm, toMm }: ScoreRange) => ({ from: fromMm, to: toMm });

/** Of a converter's range, what lies past the lens's own. */
const past = (bare: ScoreRange, converted: ScoreRange): ScoreRange => ({
  fromMm: Math.max(bare.toMm, converted.fromMm),
  toMm: converted.toMm,
});
