'use client';

import { Popover } from 'radix-ui';
import { type ReactNode, Suspense, use, useMemo } from 'react';
import { FIGURE_LOOK } from './figureLook';
import type { Steps } from './steps';

/** The steps behind a figure; open as soon as it is there, since it is loaded when asked for. */
export function ArithmeticPopover({
  label,
  steps,
  children,
}: {
  label: string;
  steps: () => Steps;
  children: ReactNode;
}) {
  return (
    <Popover.Root defaultOpen>
      <Popover.Trigger className={FIGURE_LOOK} aria-label={label}>
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          sideOffset={4}
          collisionPadding={8}
          className="z-30 max-h-[70vh] max-w-md overflow-auto border border-edge bg-sheet p-4 text-[13px]"
        >
          <p className="font-semibold">{label}</p>
          <Suspense>
            <Worked steps={steps} />
          </Suspense>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Worked({ steps }: { steps: () => Steps }) {
  const made = useMemo(() => steps(), [steps]);
  const shown = made instanceof Promise ? use(made) : made;
  return (
    <dl className="mt-2 space-y-2">
      {shown.map((step, i) => (
        <div key={`${i} ${step.name}`}>
          <dt>
            {step.name}: <strong>{step.result}</strong>
          </dt>
          <dd className="text-soft">
            {step.formula}
            {step.source !== shown[i + 1]?.source && (
              <>
                <br />
                {step.source}
              </>
            )}
          </dd>
        </div>
      ))}
    </dl>
  );
}
