'use client';

import { useMemo } from 'react';
import type { LineupResult } from '@/core/lineup';
import { MiniScore, scoreOf, SMALL_PX } from '@/parts/score';
import { useFile } from '@/session';
import { itemsText, namesOf, threeWaysText } from '@/text';

/** The demo's own lineup, as it stands now. */
export function DemoAnswer({ result }: { result: LineupResult }) {
  const file = useFile();
  const score = useMemo(() => scoreOf(result, file, SMALL_PX), [result, file]);
  return (
    <div className="h-full w-full overflow-hidden">
      <MiniScore
        fills
        score={score}
        name={namesOf(file)}
        label={threeWaysText.demoAnswer(itemsText(result.lineup, result.totals.lenses))}
      />
    </div>
  );
}
