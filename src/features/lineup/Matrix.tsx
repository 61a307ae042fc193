'use client';

import type { PositionUnit } from '@/core/brief';
import { shortfallOf, type Verdict } from '@/core/coverage';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import {
  formatCrop,
  formatStops,
  isCropped,
  stackName,
  lineupText,
  marginSteps,
  namesOf,
  positionText,
  plainList,
  shortfallText,
  shortfallWord,
  WANTS,
} from '@/text';
import { TableHead } from '@/ui';
import { useFile } from '@/session';
import { Figure, StateMark } from '@/parts';
import { useVerdictMatrix } from './useVerdicts';

const t = lineupText.matrix;

/** Each picture against each lens of the lineup; every verdict opens its arithmetic. */
export function Matrix({ result, question }: { result: LineupResult; question: LineupQuestion }) {
  const file = useFile();
  const name = namesOf(file);
  const matrix = useVerdictMatrix(question, result);
  const states = new Map(result.frames.map((f) => [f.frameId, f]));
  if (matrix.stacks.length === 0 || matrix.rows.length === 0) return null;
  return (
    <section aria-label={t.pictureByPicture}>
      <div
        className="relative overflow-x-auto"
        tabIndex={0}
        role="region"
        aria-label={t.howEachLensCoversEach}
      >
        <table className="w-full border-collapse">
          <TableHead
            heads={[
              t.picture,
              ...matrix.stacks.map((stack) => ({
                text: stackName(stack, name),
                width: 'max-w-32',
              })),
            ]}
          />
          <tbody>
            {matrix.rows.map(({ frame, verdicts }) => {
              const standing = states.get(frame.id);
              return (
                <tr key={frame.id} className="border-b border-hair align-top">
                  <th scope="row" className="py-1 pr-4 text-left font-normal">
                    {standing && <StateMark state={standing.state} />} {frame.name}{' '}
                    <span className="text-soft">{WANTS[frame.want]}</span>
                  </th>
                  {verdicts.map((v, i) => (
                    <td key={i} className="py-1 pr-3 text-[13px]">
                      {v && standing && (
                        <Cell
                          verdict={v}
                          label={t.withOn(frame.name, name(v.lensId), name(v.bodyId))}
                          unit={standing.unit}
                        />
                      )}
                    </td>
                  ))}
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}

function Cell({ verdict, label, unit }: { verdict: Verdict; label: string; unit: PositionUnit }) {
  const shortfall = shortfallOf(verdict);
  const { margins } = verdict.deciding;
  const spare =
    margins.light && margins.light.stops >= 0 ? t.spare(formatStops(margins.light.stops)) : '';
  const text =
    shortfall === null
      ? `${verdict.code === 'crop' && isCropped(margins.crop) ? t.crop(formatCrop(margins.crop)) : 'clear'}${spare}`
      : shortfall.code === 'part'
        ? plainList(shortfall.able.map((r) => positionText(unit, r.from, r.to)))
        : shortfallWord(shortfall.code);
  const made = shortfall === null;
  return (
    <Figure
      label={`${label}: ${shortfall ? shortfallText(shortfall) : text}`}
      steps={() => marginSteps(margins, unit)}
    >
      <span className={made ? 'text-got' : shortfall.code === 'part' ? '' : 'text-soft'}>
        {text}
      </span>
    </Figure>
  );
}
