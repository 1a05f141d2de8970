import { editElement, type Element } from '@usual-drag/core';
import { ValueField } from '../../ui/value-field.tsx';
import { useBench } from '../bench-store.ts';
import { mainField, moreFields, secondField } from './fields.ts';

/** Everything that can be said of the selected part. */
export function PartCard({ element }: { readonly element: Element }) {
  const edit = useBench((state) => state.edit);
  const replace = (next: Element): void => edit((job) => editElement(job, element.id, next));
  const fields = [mainField(element), secondField(element), ...moreFields(element)].filter((field) => field !== null);
  return (
    <section aria-label={`All about ${element.id}`} className="rounded-lg border border-line bg-sheet p-3">
      <h2 className="mb-2 font-bold">
        {element.id}{' '}
        <span className="font-normal text-soft">
          from {element.from} to {element.to}
        </span>
      </h2>
      <div className="grid grid-cols-2 gap-x-3 gap-y-2">
        {fields.map((field) => (
          <ValueField
            key={`${element.id}-${field.key}`}
            label={field.label}
            shown={field.shown}
            read={field.read}
            placeholder="not given"
            showLabel
            onCommit={(value) => replace(field.put(value))}
          />
        ))}
        <ValueField
          key={`${element.id}-label`}
          label="What it is for"
          shown={element.label ?? ''}
          read={(text) => ({ ok: true, value: text.trim() })}
          placeholder="not given"
          showLabel
          className="col-span-2"
          onCommit={(label) => {
            const { label: _old, ...rest } = element;
            replace((label === '' ? rest : { ...rest, label }) as Element);
          }}
        />
      </div>
    </section>
  );
}
