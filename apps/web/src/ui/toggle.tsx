import { Field, Label, Switch } from '@headlessui/react';

interface Props {
  readonly label: string;
  readonly on: boolean;
  readonly onChange: (on: boolean) => void;
}

/** Something that is so or is not so. */
export function Toggle({ label, on, onChange }: Props) {
  return (
    <Field className="flex min-h-9 items-center gap-2">
      <Switch
        checked={on}
        onChange={onChange}
        className="relative inline-flex h-6 w-11 shrink-0 items-center rounded-full border border-soft bg-sheet px-0.5 data-checked:bg-bar dark:data-checked:bg-ink"
      >
        <span
          aria-hidden
          className={`size-4.5 rounded-full ${on ? 'translate-x-4.5 bg-onbar dark:bg-ground' : 'bg-soft'}`}
        />
      </Switch>
      <Label>{label}</Label>
    </Field>
  );
}
