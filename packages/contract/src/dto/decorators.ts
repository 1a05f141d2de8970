import 'reflect-metadata';
import { limitViolation, namePattern, type Limit } from '@usual-drag/core/network';
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateBy,
  type ValidationOptions,
} from 'class-validator';
import { most } from '../limits.ts';

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

/** Free text of a bounded length. */
export function Text(longest: number): PropertyDecorator {
  return all(
    IsString({ message: 'must be text' }),
    MaxLength(longest, { ...valueRule, message: `must have ${longest} characters at most` }),
  );
}

/** A list of a bounded length. */
export function List(longest: number, message = 'must be a list'): PropertyDecorator {
  return all(
    IsArray({ message }),
    ArrayMaxSize(longest, { ...valueRule, message: `must have ${longest} entries at most` }),
  );
}

/** A revision of a stored document: a whole number from `least` up to the largest that a double holds exactly. */
export function Revision(least: 0 | 1): PropertyDecorator {
  return all(
    IsInt({ message: 'must be a revision, a whole number' }),
    Min(least, { message: `must be ${least} or more` }),
    Max(Number.MAX_SAFE_INTEGER, { message: `must be ${Number.MAX_SAFE_INTEGER} or less` }),
  );
}

/** The ends that a break lifts off its node. */
export function Ends(): PropertyDecorator {
  const message = 'must be a list of ends such as R3.from';
  return all(
    List(most.ends, message),
    ArrayMinSize(1, { ...valueRule, message: 'must name at least one end' }),
    IsString({ each: true, message }),
    MaxLength(most.word, { ...valueRule, each: true, message }),
  );
}

/**
 * Ties a class to the type of core that it describes: it compiles only if both have the same keys, and each of the class's
 * values is one of the type's.
 */
export const Describes =
  <Core>() =>
  <Class extends new () => Core>(_described: Class & SameKeys<InstanceType<Class>, Core>): void =>
    undefined;

type SameKeys<Dto, Core> = [Exclude<keyof Dto, keyof Core>, Exclude<keyof Core, keyof Dto>] extends [never, never]
  ? unknown
  : { readonly notInCore: Exclude<keyof Dto, keyof Core>; readonly notInTheClass: Exclude<keyof Core, keyof Dto> };

/** The key may be left out. */
export const Absent = (): PropertyDecorator => IsOptional();

function all(...decorators: PropertyDecorator[]): PropertyDecorator {
  return (target, key) => {
    for (const decorate of decorators) decorate(target, key);
  };
}
