import type { ReactNode } from 'react';

/** A titled part of the page. */
export function Section({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <section aria-label={title} className="flex flex-col gap-3">
      <h2 className="text-[19px] font-bold">{title}</h2>
      {children}
    </section>
  );
}
