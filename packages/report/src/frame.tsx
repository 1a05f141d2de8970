import type { ReactNode } from 'react';

interface Props {
  /** Accessible name of the region, if it scrolls. */
  readonly label: string;
  readonly className?: string;
  readonly children: ReactNode;
}

/** A wide table scrolls in its own frame on a small screen; on paper there is none. */
export function Frame({ label, className, children }: Props) {
  return (
    <div className={className ? `frame ${className}` : 'frame'} role="region" aria-label={label} tabIndex={0}>
      {children}
    </div>
  );
}
