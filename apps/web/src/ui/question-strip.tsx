import type { ReactNode } from 'react';
import { Button } from './button.tsx';

/** One way out of a question. */
export interface Answer {
  readonly label: string;
  readonly act: () => void;
}

/** Question in a strip across the page, with a button for each answer; the first is emphasised. */
export function QuestionStrip({
  children,
  answers,
}: {
  readonly children: ReactNode;
  readonly answers: readonly Answer[];
}) {
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 border-b border-line bg-(--limit-ground) px-4 py-2 print:hidden"
    >
      <p className="min-w-64 flex-1">{children}</p>
      {answers.map(({ label, act }, at) => (
        <Button key={label} tone={at === 0 ? 'strong' : 'plain'} onClick={act}>
          {label}
        </Button>
      ))}
    </div>
  );
}
