import type { AnswerMark } from '@usual-drag/core/practice';
import { Check, X } from 'lucide-react';

interface Props {
  readonly id: string;
  readonly mark: AnswerMark | null;
  /** There is no other try. */
  readonly isFinal?: boolean;
}

/** Result of an answer: right, or the mistake in a sentence. */
export function MarkLine({ id, mark, isFinal = false }: Props) {
  return (
    <p id={id} role="status" className="min-h-6 leading-snug">
      {mark && (
        <span className={mark.right ? 'text-good' : 'text-fault'}>
          {mark.right ? (
            <Check aria-hidden size={18} className="mr-1 inline" />
          ) : (
            <X aria-hidden size={18} className="mr-1 inline" />
          )}
          {mark.right || isFinal ? mark.text : `Not yet. ${mark.text}`}
        </span>
      )}
    </p>
  );
}
