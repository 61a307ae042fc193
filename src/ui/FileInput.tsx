import type { Ref } from 'react';

/** A file chooser that is opened from elsewhere; the same file can be chosen again. */
export function FileInput({
  ref,
  label,
  accept,
  onFile,
}: {
  ref: Ref<HTMLInputElement>;
  label: string;
  accept: string;
  onFile: (file: File) => void;
}) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      onChange={(event) => {
        const chosen = event.target.files?.[0];
        event.target.value = '';
        if (chosen) onFile(chosen);
      }}
    />
  );
}
