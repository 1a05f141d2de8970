import type { Hypothesis } from '@usual-drag/core/faults';
import type { NameableFault } from '@usual-drag/core/practice';
import { useState } from 'react';
import { Button } from '../ui/button.tsx';
import { Choice } from '../ui/choice.tsx';

interface Props {
  readonly faults: readonly NameableFault[];
  readonly button: string;
  readonly onName: (fault: Hypothesis) => void;
}

/** A fault named in two choices: where it is, and what. */
export function FaultChoice({ faults, button, onName }: Props) {
  const [place, setPlace] = useState('');
  const [name, setName] = useState('');
  const places = [...new Set(faults.map((one) => one.place))];
  const names = faults.filter((one) => one.place === place);
  const chosen = names.find((one) => one.name === name);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Choice
        label="Where"
        showLabel
        className="w-36"
        value={place}
        missing="where"
        options={places.map((one) => ({ value: one, text: one }))}
        onChange={setPlace}
      />
      <Choice
        label="Fault"
        showLabel
        className="w-64"
        value={chosen ? name : ''}
        missing="what"
        options={names.map((one) => ({ value: one.name, text: one.name }))}
        onChange={setName}
      />
      <Button disabled={!chosen} onClick={() => chosen && onName(chosen.hypothesis)}>
        {button}
      </Button>
    </div>
  );
}
