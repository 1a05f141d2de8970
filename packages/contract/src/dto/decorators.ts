import 'reflect-metadata';
import { limitViolation, namePattern, type Limit } from '@usual-drag/core';
import { IsNumber, IsOptional, IsString, Length, Matches, ValidateBy, type ValidationOptions } from 'class-validator';

/** Marks a rule that a value of the right type can break: it is reported as `invalid-value`, not `invalid-file`. */
export const valueRule = { context: { code: 'invalid-value' } } as const satisfies ValidationOptions;

/** A number in its SI unit within a limit of core's tables. */
export function Quantity(limit: Limit): PropertyDecorator {
  return all(
    IsNumber({}, { message: 'must be a number' }),
    ValidateBy(
      {
        name: 'limit',
        constraints: [limit],
        validator: {
          validate: (value) => typeof value !== 'number' || limitViolation(limit, value) === null,
          defaultMessage: (args) => limitViolation(limit, args?.value as number) ?? '',
        },
      },
      valueRule,
    ),
  );
}

/** The same, where the key may be left out. A null is not left out. */
export const OptionalQuantity = (limit: Limit): PropertyDecorator => all(Absent(), Quantity(limit));

/** An element's, node's, meter's or set-up's name. */
export function Name(): PropertyDecorator {
  return all(
    IsString({ message: 'must be text' }),
    Matches(namePattern, { ...valueRule, message: 'must be up to 32 letters, digits, - and _, without spaces' }),
  );
}

/** An instrument's or a range's id. */
export function Id(): PropertyDecorator {
  return all(
    IsString({ message: 'must be text' }),
    Length(1, 64, { ...valueRule, message: 'must have 1 to 64 characters' }),
  );
}

/** Free text. */
export const Text = (): PropertyDecorator => IsString({ message: 'must be text' });

/** The key may be left out. */
export const Absent = (): PropertyDecorator => IsOptional();

function all(...decorators: PropertyDecorator[]): PropertyDecorator {
  return (target, key) => {
    for (const decorate of decorators) decorate(target, key);
  };
}
