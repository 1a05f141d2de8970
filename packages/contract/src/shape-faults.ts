import { fail, ok, type Result } from '@usual-drag/core/result';
import { holePattern } from '@usual-drag/core/board';
import type { JobFault } from '@usual-drag/core/job';
import { mostFaults } from './limits.ts';
import * as allFaults from './schema/all-faults.generated.ts';
import * as firstFault from './schema/first-fault.generated.ts';

/** A fault and the path of the key that it is at; empty if it is about the file as a whole. */
export interface FileFault extends JobFault {
  readonly path: string;
}

/** Values in a file up to which all its faults are searched for; in a larger one the first is reported. */
const thoroughUpTo = 20_000;

/** Fault reported by a check, by the schema's keyword. */
interface SchemaError {
  readonly keyword: string;
  readonly instancePath: string;
  readonly params: object;
  readonly message?: string;
}

/** Generated check; its faults are in `errors` afterwards. */
interface SchemaCheck {
  (value: unknown): boolean;
  errors?: readonly SchemaError[] | null;
}

type Format = 'job' | 'kit' | 'design' | 'meterProject' | 'worksheet' | 'answeredProblem';

/** Returns a check of parsed values against a published schema; up to twenty faults are described in words. */
export function shapeCheck<T>(format: Format): (value: unknown) => Result<T, readonly FileFault[]> {
  const passes = firstFault[format] as SchemaCheck;
  const thorough = allFaults[format] as SchemaCheck;
  return (value) => {
    if (passes(value)) return ok(value as T);
    let found = passes.errors ?? [];
    if (countUpTo(thoroughUpTo, value) < thoroughUpTo && !thorough(value)) found = thorough.errors ?? found;
    const errors = [...found].sort((a, b) => precedence(a) - precedence(b));
    return fail(errors.slice(0, mostFaults).map((error) => fileFault(value, error)));
  };
}

/** Returns the number of values in a value, counted no further than `limit`. */
function countUpTo(limit: number, value: unknown): number {
  const waiting = [value];
  let count = 0;
  while (waiting.length > 0 && count < limit) {
    const next = waiting.pop();
    count += 1;
    if (typeof next !== 'object' || next === null) continue;
    // The names of a long list's places would be made before the first is looked at.
    if (Array.isArray(next) && next.length > limit) return limit;
    for (const key in next) {
      waiting.push((next as Record<string, unknown>)[key]);
      if (waiting.length + count > limit) return limit;
    }
  }
  return count;
}

/** Returns the value of a JSON text; text that is not JSON is a fault of the file. */
export function parseJson(text: string): Result<unknown, readonly FileFault[]> {
  try {
    return ok(JSON.parse(text.replace(/^\uFEFF/, '')));
  } catch (error) {
    const message = `This is not JSON: ${clipped((error as Error).message)}. Export the file again, or mend the text there.`;
    return fail([{ code: 'invalid-file', message, where: [], path: '' }]);
  }
}

/** A slip in a key's name comes before the key that is missing for it, and a wrong shape before a wrong value. */
function precedence({ keyword }: SchemaError): number {
  if (keyword === 'additionalProperties') return 0;
  return shapeKeywords.has(keyword) ? 1 : 2;
}

const shapeKeywords = new Set(['required', 'discriminator', 'type', 'const', 'enum']);

function fileFault(value: unknown, error: SchemaError): FileFault {
  const path = dotted(error.instancePath);
  const params = error.params as Record<string, unknown>;
  const inside = (key: unknown): string => (path ? `${path}.${clipped(String(key))}` : clipped(String(key)));
  switch (error.keyword) {
    case 'additionalProperties': {
      const key = inside(params.additionalProperty);
      return shapeFault(key, `${key} is not a key of this format. Remove it, or correct its spelling.`);
    }
    case 'required': {
      const key = inside(params.missingProperty);
      return shapeFault(key, `${key} is missing.`);
    }
    case 'discriminator': {
      const key = inside(params.tag);
      return shapeFault(key, `${key} is not one of the kinds of this format.`);
    }
    case 'type':
      return shapeFault(
        path,
        `${path || 'The file'} must be ${typeWords[String(params.type)] ?? String(params.type)}.`,
      );
    case 'const':
      return shapeFault(path, `${path} must be ${JSON.stringify(params.allowedValue)}.`);
    case 'enum':
      return shapeFault(path, `${path} must be one of ${(params.allowedValues as unknown[]).join(', ')}.`);
    default:
      return valueFault(value, error, path);
  }
}

function valueFault(value: unknown, error: SchemaError, path: string): FileFault {
  const owner = ownerOf(value, error.instancePath);
  const key = keysOf(error.instancePath).at(-1);
  const subject = owner ? `${owner}: ${key}` : path;
  return { code: 'invalid-value', message: `${subject} ${valueWords(error)}.`, where: [owner ?? path], path };
}

const shapeFault = (path: string, message: string): FileFault => ({
  code: 'invalid-file',
  message,
  where: path ? [path] : [],
  path,
});

const typeWords: Readonly<Record<string, string>> = {
  object: 'an object',
  array: 'a list',
  string: 'text',
  number: 'a number',
  boolean: 'true or false',
};

function valueWords({ keyword, message, params }: SchemaError): string {
  const { limit, pattern } = params as { readonly limit: number; readonly pattern?: string };
  switch (keyword) {
    case 'exclusiveMinimum':
      return 'must be above zero';
    case 'minimum':
      return limit === 0 ? 'must not be below zero' : `must be ${limit} or more`;
    case 'maximum':
      return `must be ${limit} or less`;
    case 'multipleOf':
      return 'must be a whole number';
    case 'pattern':
      return pattern === holePattern.source
        ? 'must be a hole such as 5a, or 5L+ of a rail'
        : 'must be up to 32 letters, digits, - and _, without spaces, and no word that the program uses itself';
    case 'minItems':
      return 'must not be empty';
    case 'maxItems':
      return `must have ${limit} entries at most`;
    case 'maxLength':
      return `must have ${limit} characters at most`;
    default:
      return message ?? 'is not allowed';
  }
}

/** `/network/elements/3/resistance` as `network.elements[3].resistance`. */
function dotted(pointer: string): string {
  return keysOf(pointer)
    .map((key) => (/^\d+$/.test(key) ? `[${key}]` : `.${clipped(key)}`))
    .join('')
    .replace(/^\./, '');
}

/** The id of the innermost element, meter or instrument that a path leads into. */
function ownerOf(value: unknown, pointer: string): string | undefined {
  let at = value;
  let id: string | undefined;
  for (const key of keysOf(pointer)) {
    at = (at as Record<string, unknown> | undefined)?.[key];
    const found = (at as { id?: unknown } | undefined | null)?.id;
    if (typeof found === 'string') id = clipped(found);
  }
  return id;
}

const keysOf = (pointer: string): string[] =>
  pointer
    .split('/')
    .slice(1)
    .map((key) => key.replace(/~1/g, '/').replace(/~0/g, '~'));

/** A text that someone else chose, short enough for a message. */
const clipped = (text: string): string => (text.length > 100 ? `${text.slice(0, 100)}…` : text);
