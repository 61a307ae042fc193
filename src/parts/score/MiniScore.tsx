import { partsText } from '@/text';
import { placeOf, type Score, type ScoreNote } from './score';

const USUAL_WIDTH = 300;
const LINE = 38;
const STEP = 13;
/** How high the lowest dots stand over their band. */
const RISE = 14;

/** A score in small, only to be looked at: lines and notes as on Lineup. */
export function MiniScore({
  score,
  name,
  label,
  fills = false,
  width = USUAL_WIDTH,
  names = 76,
  isNew,
  isLost,
}: {
  score: Score<Omit<ScoreNote, 'cover'>>;
  name: (id: string) => string;
  label: string;
  /** As high as there is room. */
  fills?: boolean;
  /** Width of the drawing and of its names, in its own units: a letter is 10 high, 12 where it is wider than usual. */
  width?: number;
  names?: number;
  /** Lenses that the score beside it lacks: marked. */
  isNew?: (lensId: string) => boolean;
  /** Pictures that the score beside it lacks: ringed as wrong. */
  isLost?: (frameId: string) => boolean;
}) {
  const heights = score.lines.map((l) => LINE + STEP * Math.max(0, ...l.notes.map((n) => n.level)));
  const feet = heights.map((_, i) => heights.slice(0, i + 1).reduce((a, b) => a + b, 0) - 10);
  const whole = heights.reduce((a, b) => a + b, 0);
  const across = (percent: number) => names + ((width - names - 10) * percent) / 100;
  const x = (mm: number) => across(placeOf(score, mm));
  return (
    <svg
      viewBox={`0 0 ${width} ${whole}`}
      role="img"
      aria-label={label}
      className={fills ? 'h-full' : width > USUAL_WIDTH ? 'w-full' : 'w-full max-w-prose'}
      data-testid="mini-score"
    >
      {score.lines.map(({ lensId, bare, converted, cropped, notes }, i) => {
        const y = feet[i]!;
        const bar = (from: number, to: number) =>
          `M${x(from)} ${y}H${Math.max(x(to), x(from) + 3)}`;
        return (
          <g key={lensId} stroke="var(--got)">
            <text
              x={0}
              y={y + 4}
              fontSize={width > USUAL_WIDTH ? 12 : 10}
              fontWeight={isNew?.(lensId) ? 700 : 400}
              fill="var(--ink)"
              stroke="none"
            >
              {isNew?.(lensId) ? partsText.score.isNew(name(lensId)) : name(lensId)}
            </text>
            <path d={bar(bare.fromMm, bare.toMm)} strokeWidth={5} />
            {converted && (
              <path d={bar(bare.toMm, converted.toMm)} strokeWidth={3} strokeDasharray="6 3" />
            )}
            {cropped && (
              <path d={bar(cropped.fromMm, cropped.toMm)} strokeWidth={2} strokeDasharray="1.5 3" />
            )}
            {notes.map((n) => {
              const [cx, cy] = [across(n.shownAt), y - RISE - STEP * n.level];
              return (
                <g key={n.frameId}>
                  <path d={`M${cx} ${cy}L${x(n.equivalentMm)} ${y}`} strokeWidth={0.75} />
                  {isLost?.(n.frameId) && (
                    <circle
                      cx={cx}
                      cy={cy}
                      r={8}
                      fill="none"
                      stroke="var(--wrong)"
                      strokeWidth={2}
                    />
                  )}
                  {n.isProof && <circle cx={cx} cy={cy} r={8} fill="none" stroke="var(--ink)" />}
                  <circle
                    cx={cx}
                    cy={cy}
                    r={5.5}
                    fill={n.isOnly ? 'var(--got)' : 'var(--sheet)'}
                    strokeWidth={1.5}
                  />
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
