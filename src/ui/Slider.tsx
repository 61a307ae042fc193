'use client';

import { Slider as Radix } from 'radix-ui';

const STEPS = 200;

/** A slider along a range, evenly in its logarithm, with its value said in words. */
export function LogSlider({
  label,
  from,
  to,
  value,
  show,
  wide = false,
  onChange,
}: {
  label: string;
  from: number;
  to: number;
  value: number;
  show: (value: number) => string;
  /** Room for a few words where the value is said. */
  wide?: boolean;
  onChange: (value: number) => void;
}) {
  const ratio = Math.log(to / from);
  const step = Math.round((STEPS * Math.log(value / from)) / ratio);
  const valueAt = (at: number) =>
    at <= 0 ? from : at >= STEPS ? to : from * Math.exp((ratio * at) / STEPS);
  return (
    <div className="flex items-center gap-3 text-[13px]">
      <span className="w-16 shrink-0 text-soft">{label}</span>
      <Radix.Root
        min={0}
        max={STEPS}
        value={[step]}
        onValueChange={([next]) => onChange(valueAt(next ?? 0))}
        className="relative flex h-7 min-w-24 flex-1 touch-none items-center select-none"
      >
        <Radix.Track className="relative h-px flex-1 bg-edge">
          <Radix.Range className="absolute h-px bg-ink" />
        </Radix.Track>
        <Radix.Thumb
          aria-label={label}
          aria-valuetext={show(value)}
          className="grid h-6 w-6 place-items-center"
        >
          <span className="block h-3.5 w-2 bg-ink" />
        </Radix.Thumb>
      </Radix.Root>
      <output className={`${wide ? 'w-28' : 'w-16'} shrink-0 text-right whitespace-nowrap`}>
        {show(value)}
      </output>
    </div>
  );
}
