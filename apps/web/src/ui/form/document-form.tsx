import { classValidatorResolver } from '@hookform/resolvers/class-validator';
import { sameValue } from '@usual-drag/core/job';
import { useLayoutEffect, useMemo, useRef, type ReactNode } from 'react';
import { FormProvider, useForm, type FieldValues, type Resolver } from 'react-hook-form';
import { useNewest } from '../use-newest.ts';
import { CommitContext } from './commit.ts';
import { withoutEmpty } from './without-empty.ts';

interface Props<Values extends object> {
  readonly label: string;
  /** Class with the rules of validity. */
  readonly dto: new () => object;
  readonly values: Values;
  /** Called with every valid change, as soon as the field is left. */
  readonly onChange: (values: Values) => void;
  readonly className?: string;
  readonly children: ReactNode;
}

/**
 * A form over a document, or a part of one. There is nothing to submit: a field that is left, or confirmed by Enter, is checked by
 * the document's class and handed in. What is not sound stays as it was typed, with the reason below. A key left empty goes.
 */
export function DocumentForm<Values extends object>(props: Props<Values>) {
  const { label, dto, values, onChange, className, children } = props;
  const resolver = useMemo(
    () => classValidatorResolver(dto as never, {}, { raw: true, mode: 'sync' }) as unknown as Resolver<FieldValues>,
    [dto],
  );
  const form = useForm<FieldValues>({ values, resolver, mode: 'onSubmit' });
  // A field is confirmed by Enter and left afterwards: only the first of the two hands anything in.
  const handedIn = useRef<object>(values);
  useLayoutEffect(() => {
    handedIn.current = values;
  }, [values]);
  const commit = useNewest(
    () =>
      void form.handleSubmit((filled) => {
        const sound = withoutEmpty(filled) as Values;
        if (sameValue(sound, handedIn.current)) return;
        handedIn.current = sound;
        form.reset(filled);
        onChange(sound);
      })(),
  );
  return (
    <FormProvider {...form}>
      <CommitContext value={commit}>
        <div role="form" aria-label={label} className={className}>
          {children}
        </div>
      </CommitContext>
    </FormProvider>
  );
}
