import type { ChosenPart } from '@usual-drag/core/job';
import { nameViolation, writeValues, type Element } from '@usual-drag/core/network';
import { fail, ok } from '@usual-drag/core/result';
import { ValueField } from '../ui/value-field.tsx';

interface Props {
  readonly elements: readonly Element[];
  readonly parts: readonly ChosenPart[];
  /** Parts that stay behind. */
  readonly left: readonly string[];
  readonly onRename: (id: string, role: string) => void;
  readonly onToggle: (id: string) => void;
}

/** The parts of a job: which come along, and what each is called in the new circuit. */
export function Roles({ elements, parts, left, onRename, onToggle }: Props) {
  const roleOf = (id: string): string => parts.find((part) => part.id === id)?.role ?? id;
  const read = (id: string, text: string) => {
    const role = text.trim();
    const message =
      nameViolation(role) ??
      (parts.some((part) => part.id !== id && part.role === role) ? `${role} is another part’s name.` : null);
    return message === null ? ok(role) : fail({ message });
  };
  return (
    <ul aria-label="Parts that come along" className="flex flex-col divide-y divide-line border-y border-line">
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
            read={(text) => read(element.id, text)}
            onCommit={(role) => onRename(element.id, role)}
            className="w-20"
          />
        </li>
      ))}
    </ul>
  );
}
