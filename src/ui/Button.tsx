import type { ComponentProps } from 'react';

type Look = 'plain' | 'strong' | 'quiet';

const LOOKS: Record<Look, string> = {
  plain: 'border border-edge bg-sheet hover:bg-chosen',
  strong: 'border border-ink bg-ink text-sheet hover:opacity-90',
  quiet: 'border border-transparent hover:bg-chosen',
};

const SHAPE =
  'inline-flex min-h-7 pointer-coarse:min-h-[44px] items-center justify-center gap-1.5 rounded-sm leading-tight whitespace-nowrap disabled:opacity-50';

export function Button({
  look = 'plain',
  type = 'button',
  ...rest
}: Omit<ComponentProps<'button'>, 'className'> & { look?: Look }) {
  return <button type={type} className={`${SHAPE} px-2.5 py-1 ${LOOKS[look]}`} {...rest} />;
}

/** A button that shows only an icon; the label is spoken and shown on hover. */
export function IconButton({
  label,
  ...rest
}: Omit<ComponentProps<'button'>, 'className'> & { label: string }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className={`${SHAPE} min-w-7 shrink-0 pointer-coarse:min-w-[44px] ${LOOKS.quiet}`}
      {...rest}
    />
  );
}
