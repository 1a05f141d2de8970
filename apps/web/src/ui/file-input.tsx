import type { RefObject } from 'react';

interface Props {
  readonly label: string;
  /** Endings and types, as the browser takes them. */
  readonly accept: string;
  readonly onTake: (file: File) => void;
  /** A button elsewhere opens it by `click()`. */
  readonly ref: RefObject<HTMLInputElement | null>;
}

/** A way in for files that shows nothing of its own. The same file can be taken twice in a row. */
export function FileInput({ label, accept, onTake, ref }: Props) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      className="sr-only"
      tabIndex={-1}
      aria-label={label}
      onChange={(event) => {
        const file = event.target.files?.[0];
        event.target.value = '';
        if (file) onTake(file);
      }}
    />
  );
}
