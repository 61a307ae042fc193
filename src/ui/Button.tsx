import type { ComponentProps } from 'react';

type Look = 'plain' | 'strong' | 'quiet';

const LOOKS: Record<Look, string> = {
  plain: 'border border-edge bg-sheet hover:bg-chosen',
  strong: 'border border-ink bg-ink text-sheet hover:opacity-90',
  quiet: 'border border-transparent hover:bg-chosen',
};

export function Button({ look = 'plain', className = '', type = 'button', ...rest }: ComponentProps<'button'> & { look?: Look }) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-7 items-center justify-center gap-1.5 rounded-sm px-2.5 py-1 leading-tight whitespace-nowrap disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}

/** A button that shows only an icon; the label is spoken and shown on hover. */
export function IconButton({ label, className = '', ...rest }: ComponentProps<'button'> & { label: string }) {
  return <Button look="quiet" aria-label={label} title={label} className={`min-w-7 px-1 ${className}`} {...rest} />;
}
