import { readValues, replaceElement, writeValues, type Element, type LineFault } from '@usual-drag/core/network';
import { changeNetwork } from '@usual-drag/core/job';
import { useState } from 'react';
import { useBench } from '../model/bench-store.ts';
import { stopTyping } from '../model/editing.ts';

interface Props {
  readonly element: Element;
  readonly left: number;
  readonly top: number;
  /** Called to return the focus when it is done. */
  readonly onDone: () => void;
}

/** A part's values typed in place, as in a line; Enter takes them, Escape leaves them. */
export function ValueEntry({ element, left, top, onDone }: Props) {
  const edit = useBench((state) => state.edit);
  const before = writeValues(element);
  const [text, setText] = useState(before);
  const [fault, setFault] = useState<LineFault | null>(null);
  const done = (): void => {
    stopTyping();
    onDone();
  };
  const take = (): void => {
    if (text.trim() === before) return done();
    const read = readValues(element, text);
    if (!read.ok) return setFault(read.fault);
    edit((job) => changeNetwork(job, replaceElement(job.network, element.id, read.value)));
    done();
  };
  return (
    <div
      className="absolute z-20 w-52 rounded-lg border-2 border-(--ochre-line) bg-sheet p-1 shadow-lg"
      style={{ left, top }}
    >
      <input
        autoFocus
        aria-label={`Value of ${element.id}`}
        aria-invalid={fault !== null}
        aria-describedby={fault ? 'value-entry-fault' : undefined}
        data-typing="true"
        autoComplete="off"
        spellCheck={false}
        className="figures min-h-9 w-full bg-transparent px-1.5 text-[16px] focus:outline-none"
        value={text}
        onFocus={(event) => event.target.select()}
        onChange={(event) => {
          setText(event.target.value);
          setFault(null);
        }}
        onBlur={() => {
          if (!fault) take();
        }}
        onKeyDown={(event) => {
          event.stopPropagation();
          if (event.key === 'Enter') take();
          if (event.key === 'Escape') done();
        }}
      />
      {fault && (
        <p id="value-entry-fault" role="alert" className="px-1.5 pb-1 text-[13px] leading-tight text-fault">
          {fault.message}
        </p>
      )}
    </div>
  );
}
