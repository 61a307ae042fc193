'use client';

import { Slider as Radix } from 'radix-ui';

const STEPS = 200;

interface SliderProps {
  readonly label: string;
  readonly from: number;
  readonly to: number;
  readonly value: number;
  readonly show: (value: number) => string;
  /** Room for a few words where the value is said. */
  readonly wide?: boolean;
  readonly onChange: (value: number) => void;
}

/** A slider along a range, evenly in its logarithm, with its value said in words. */
export function LogSlider({ from, to, value, onChange, ...how }: SliderProps) {
  const ratio = Math.log(to / from);
  const valueAt = (at: number) =>
    at <= 0 ? from : at >= STEPS ? to : from * Math.exp((ratio * at) / STEPS);
  return (
    <Slider
      {...how}
      from={0}
      to={STEPS}
      value={Math.round((STEPS * Math.log(value / from)) / ratio)}
      said={how.show(value)}
      onChange={(at) => onChange(valueAt(at))}
    />
  );
}

/** A slider along whole numbers, with its value said in words. */
export function EvenSlider(props: SliderProps) {
  return <Slider {...props} said={props.show(props.value)} />;
}

function Slider({
  label,
  from,
  to,
  value,
  said,
  wide = false,
  onChange,
}: Omit<SliderProps, 'show'> & { readonly said: string }) {
  return (
    <div className="flex items-center gap-3 text-[13px]">
      <span className="w-16 shrink-0 text-soft">{label}</span>
      <Radix.Root
        min={from}
        max={to}
        value={[value]}
        onValueChange={([next]) => onChange(next ?? from)}
        className="relative flex h-7 min-w-24 flex-1 touch-none items-center select-none"
      >
        <Radix.Track className="relative h-px flex-1 bg-edge">
          <Radix.Range className="absolute h-px bg-ink" />
        </Radix.Track>
        <Radix.Thumb
          aria-label={label}
          aria-valuetext={said}
          className="grid h-6 w-6 place-items-center"
        >
          <span className="block h-3.5 w-2 bg-ink" />
        </Radix.Thumb>
      </Radix.Root>
      <output className={`${wide ? 'w-28' : 'w-16'} shrink-0 text-right whitespace-nowrap`}>
        {said}
      </output>
    </div>
  );
}
