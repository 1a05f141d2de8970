import type { ChosenPart } from '@usual-drag/core/job';
import { nameViolation, writeValues, type Element } from '@usual-drag/core/network';
import { fail, ok } from '@usual-drag/core/result';
import { ValueField } from '../ui/value-field.tsx';

interface Props {
  readonly elements: readonly Element[];
  readonly parts: readonly ChosenPart[];
  /** Ids of the parts that are left out. */
  readonly left: readonly string[];
  readonly onRename: (id: string, role: string) => void;
  readonly onToggle: (id: string) => void;
}

/** The parts of a job: which of them the new circuit has, and their names in it. */
export function Roles({ elements, parts, left, onRename, onToggle }: Props) {
  const roleOf = (id: string): string => parts.find((part) => part.id === id)?.role ?? id;
  const read = (text: string) => {
    const role = text.trim();
    const message = nameViolation(role);
    return message === null ? ok(role) : fail({ message });
  };
  return (
    <ul aria-label="Parts of the new circuit" className="flex flex-col divide-y divide-line border-y border-line">
      {elements.map((element) => (
        <li key={element.id} className="flex flex-wrap items-center gap-2 py-1">
          <label className="inline-flex min-h-9 grow items-center gap-2 pointer-coarse:min-h-11">
            <input
              type="checkbox"
              className="size-5 accent-(--ochre-line)"
              checked={!left.includes(element.id)}
              onChange={() => onToggle(element.id)}
            />
            <b>{element.id}</b> <span className="figures">{writeValues(element)}</span>
          </label>
          <span aria-hidden className="text-soft">
            as
          </span>
          <ValueField
            label={`New name of ${element.id}`}
            shown={roleOf(element.id)}
            read={read}
            onCommit={(role) => onRename(element.id, role)}
            className="w-20"
          />
        </li>
      ))}
    </ul>
  );
}
