import type { ReactNode } from 'react';
import { Button } from './button.tsx';
import { answer, useQuestions, type Answer } from './questions.ts';

/** A question in a strip across the page, with a button for each way out. */
export function QuestionStrip({
  children,
  answers,
  onAnswer,
}: {
  readonly children: ReactNode;
  readonly answers: readonly Answer[];
  readonly onAnswer: (answer: Answer) => void;
}) {
  return (
    <div
      role="alert"
      className="flex flex-wrap items-center gap-3 border-b border-line bg-(--limit-ground) px-4 py-2 print:hidden"
    >
      <p className="grow">{children}</p>
      {answers.map((way, at) => (
        <Button key={way.label} tone={at === 0 ? 'strong' : 'plain'} onClick={() => onAnswer(way)}>
          {way.label}
        </Button>
      ))}
    </div>
  );
}

/** The questions that are open, one at a time. */
export function OpenQuestions() {
  const [first, ...behind] = useQuestions((state) => state.open);
  if (!first) return null;
  return (
    <QuestionStrip key={first.about} answers={first.answers} onAnswer={(way) => answer(first, way)}>
      {first.text}
      {behind.length > 0 && <span className="text-soft"> ({behind.length} more after this one.)</span>}
    </QuestionStrip>
  );
}
