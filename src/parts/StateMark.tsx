import { partsText } from '@/text';

const t = partsText.stateMark;
export type FrameState = 'clear' | 'crop' | 'once' | 'slow' | 'lost' | 'out';

const TITLES: Record<FrameState, string> = {
  clear: 'got',
  crop: t.coveredByCropping,
  once: t.coveredOnce,
  slow: t.tooSlow,
  lost: t.notCovered,
  out: t.leftOut,
};

/** The mark of a state: solid got, hatched by crop, half once instead of twice, dotted too slow, open not reached, faint left out. */
export function StateMark({
  state,
  label,
}: {
  state: FrameState;
  /** Said instead of the state; empty where it is said beside the mark. */
  label?: string;
}) {
  const colour =
    state === 'clear' || state === 'crop' || state === 'once'
      ? 'var(--got)'
      : state === 'out'
        ? 'var(--hair)'
        : 'var(--wrong)';
  return (
    <svg
      width="18"
      height="12"
      viewBox="0 0 18 12"
      {...(label === ''
        ? { 'aria-hidden': true }
        : { role: 'img', 'aria-label': label ?? TITLES[state] })}
      className="inline-block shrink-0 align-[-1px]"
    >
      <rect
        x="1"
        y="1.5"
        width="16"
        height="9"
        fill={state === 'clear' ? colour : 'none'}
        stroke={colour}
        strokeWidth="1.5"
        strokeDasharray={state === 'slow' ? '1.5 2' : undefined}
      />
      {state === 'once' && <rect x="1" y="1.5" width="8" height="9" fill={colour} />}
      {state === 'crop' && (
        <path d="M3 10 7 2M7 10l4-8M11 10l4-8" stroke={colour} strokeWidth="1.5" />
      )}
    </svg>
  );
}
