import { fail, ok } from '@usual-drag/core';
import { ValueField } from '../ui/value-field.tsx';
import { setPerson, useLearner } from './learner.ts';

/** Who practises. Without a name nothing is kept. */
export function PersonField() {
  const person = useLearner((state) => state.person);
  const waiting = useLearner((state) => state.waiting.length);
  return (
    <div className="flex items-end gap-2">
      <ValueField
        label="Who practises"
        showLabel
        className="w-44 [&_input]:font-sans"
        placeholder="a name, to keep it"
        shown={person}
        read={(text) => (text.trim().length > 64 ? fail({ message: 'Up to 64 characters.' }) : ok(text.trim()))}
        onCommit={setPerson}
      />
      <p role="status" className="pb-1.5 text-[13px] text-soft">
        {waiting > 0 && `${waiting} to be handed in`}
      </p>
    </div>
  );
}
