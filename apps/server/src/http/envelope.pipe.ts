import { type ArgumentMetadata, BadRequestException, Injectable, type PipeTransform } from '@nestjs/common';
import { mostFaults, type FileFault } from '@usual-drag/contract';
import type { Result } from '@usual-drag/core/result';
import { validateSync, type ValidationError } from 'class-validator';
import type { Fault } from './faults.ts';

/** Keys that a body may have before it is checked key by key; every DTO has far fewer. */
const mostKeys = 100;

/** Checks a request's body against its DTO class; refuses it with the paths of its faults. */
@Injectable()
export class EnvelopePipe implements PipeTransform {
  transform(value: unknown, { type, metatype }: ArgumentMetadata): unknown {
    if (type !== 'body' || !metatype || metatype === Object) return value;
    if (typeof value !== 'object' || value === null || Array.isArray(value) || ArrayBuffer.isView(value))
      throw refuse([{ path: '', message: 'The body must be a JSON object.' }]);
    const keys = Object.keys(value);
    if (keys.length > mostKeys)
      throw refuse([{ path: '', message: `The body has ${keys.length} keys: that is no body of this address.` }]);
    // A key that every object has already would change the instance instead of being refused as unknown.
    const reserved = keys.filter((key) => key in Object.prototype);
    if (reserved.length > 0) throw refuse(reserved.map((path) => ({ path, message: `${path} is not known here.` })));
    // Flat: the document inside has a schema of its own, and may be as deep as someone cares to send.
    const instance = Object.assign(new metatype() as object, value);
    const faults = validateSync(instance, { whitelist: true, forbidNonWhitelisted: true }).flatMap((e) =>
      faultsOf(e, ''),
    );
    if (faults.length > 0) throw refuse(faults);
    return instance;
  }
}

/** Returns the refusal of a body, with the paths of its faults. */
export const refuse = (faults: readonly Fault[]): BadRequestException =>
  new BadRequestException({
    message: faults[0]?.message ?? 'Refused.',
    details: { faults: faults.slice(0, mostFaults) },
  });

/** Returns the checked value; throws a refusal otherwise. The paths of the faults begin with `prefix`. */
export function accept<T>(checked: Result<T, readonly FileFault[]>, prefix: string): T {
  if (checked.ok) return checked.value;
  throw refuse(checked.fault.map(({ code, message, path }) => ({ code, message, path: prefix + path })));
}

function faultsOf({ property, constraints, children }: ValidationError, parent: string): Fault[] {
  const path = parent ? `${parent}.${property}` : property;
  const own = Object.entries(constraints ?? {}).map(([rule, message]) => ({
    path,
    message: rule === 'whitelistValidation' ? `${path} is not known here.` : `${path} ${message}.`,
  }));
  return [...own, ...(children ?? []).flatMap((child) => faultsOf(child, path))];
}
