import { fail, ok } from '@usual-drag/core/result';
import { usePerson } from './person.ts';
import { ValueField } from './value-field.tsx';

interface Props {
  readonly label: string;
  readonly placeholder: string;
  readonly className?: string;
}

/** The name of who is at this device. */
export function PersonField({ label, placeholder, className = 'w-44' }: Props) {
  const person = usePerson((state) => state.person);
  return (
    <ValueField
      label={label}
      showLabel
      className={`${className} [&_input]:font-sans`}
      placeholder={placeholder}
      shown={person}
      read={(text) => (text.trim().length > 64 ? fail({ message: 'Up to 64 characters.' }) : ok(text.trim()))}
      onCommit={(name) => usePerson.setState({ person: name })}
    />
  );
}
