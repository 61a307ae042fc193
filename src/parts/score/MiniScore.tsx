import { placeOf, type Score, type ScoreNote } from './score';

const WIDTH = 300;
const LINE = 30;
const STEP = 13;
/** Where there is little height, chords are drawn close. */
const CLOSE = { line: 24, step: 5 } as const;
const NAMES = 76;

/** A score in small, only to be looked at: lines and notes as on Lineup. */
export function MiniScore({
  score,
  name,
  label,
  close = false,
}: {
  score: Score<Omit<ScoreNote, 'cover'>>;
  name: (id: string) => string;
  label: string;
  close?: boolean;
}) {
  const line = close ? CLOSE.line : LINE;
  const step = close ? CLOSE.step : STEP;
  const heights = score.lines.map((l) => line + step * Math.max(0, ...l.notes.map((n) => n.level)));
  const feet = heights.map((_, i) => heights.slice(0, i + 1).reduce((a, b) => a + b, 0) - 10);
  const whole = heights.reduce((a, b) => a + b, 0);
  const x = (mm: number) => NAMES + ((WIDTH - NAMES - 10) * placeOf(score, mm)) / 100;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${whole}`}
      role="img"
      aria-label={label}
      className={close ? 'h-full' : 'w-full max-w-sm'}
      data-testid="mini-score"
    >
      {score.lines.map(({ lensId, bare, converted, cropped, notes }, i) => {
        const y = feet[i]!;
        const bar = (from: number, to: number) =>
          `M${x(from)} ${y}H${Math.max(x(to), x(from) + 3)}`;
        return (
          <g key={lensId} stroke="var(--got)">
            <text x={0} y={y + 4} fontSize={10} fill="var(--ink)" stroke="none">
              {name(lensId)}
            </text>
            <path d={bar(bare.fromMm, bare.toMm)} strokeWidth={5} />
            {converted && (
              <path d={bar(bare.toMm, converted.toMm)} strokeWidth={3} strokeDasharray="6 3" />
            )}
            {cropped && (
              <path d={bar(cropped.fromMm, cropped.toMm)} strokeWidth={2} strokeDasharray="1.5 3" />
            )}
            {notes.map((n) => (
              <g key={n.frameId}>
                {n.isProof && (
                  <circle
                    cx={x(n.equivalentMm)}
                    cy={y - step * n.level}
                    r={8}
                    fill="none"
                    stroke="var(--ink)"
                  />
                )}
                <circle
                  cx={x(n.equivalentMm)}
                  cy={y - step * n.level}
                  r={5.5}
                  fill={n.isOnly ? 'var(--got)' : 'var(--sheet)'}
                  strokeWidth={1.5}
                />
              </g>
            ))}
          </g>
        );
      })}
    </svg>
  );
}
