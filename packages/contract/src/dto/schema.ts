import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import type { Limit } from '@usual-drag/core';
import { elementSubTypes } from './element.dto.ts';
import { functionSubTypes } from './instrument.dto.ts';
import './job.dto.ts';
import './requests.dto.ts';
import { meterSubTypes } from './setup.dto.ts';

type Schema = Record<string, unknown>;
type ObjectSchema = Schema & { properties: Record<string, Schema>; required?: string[] };

const limitSchemas: Readonly<Record<Limit, Schema>> = {
  any: {},
  positive: { exclusiveMinimum: 0 },
  'not-negative': { minimum: 0 },
  count: { minimum: 1, multipleOf: 1 },
};

/** Lists whose items are told apart by one key. */
const unions = {
  ElementDto: { key: 'kind', subTypes: elementSubTypes },
  FunctionDto: { key: 'quantity', subTypes: functionSubTypes },
  MeterDto: { key: 'quantity', subTypes: meterSubTypes },
};

/** JSON Schema (draft 2020-12) of a job file, made from the DTO classes. */
export function jobSchema(): Schema {
  const all = schemas('#/$defs/');
  const { JobDto: job, CreateJobDto: _create, SaveJobDto: _save, RangeDto: _range, ...rest } = all;
  return {
    $schema: 'https://json-schema.org/draft/2020-12/schema',
    title: 'Usual Drag job, *.job.json',
    ...job,
    $defs: rest,
  };
}

/** The same classes and the requests', as components of the API's description. */
export function requestSchemas(): Record<string, Schema> {
  const prefix = '#/components/schemas/';
  const all = schemas(prefix) as Record<string, ObjectSchema>;
  for (const request of ['CreateJobDto', 'SaveJobDto']) all[request]!.properties.document = { $ref: `${prefix}JobDto` };
  return all;
}

function schemas(refPointerPrefix: string): Record<string, Schema> {
  const made = validationMetadatasToSchemas({
    refPointerPrefix,
    classTransformerMetadataStorage: defaultMetadataStorage,
    additionalConverters: { limit: (meta) => limitSchemas[(meta.constraints as [Limit])[0]] },
  }) as Record<string, ObjectSchema>;
  const closed: Record<string, Schema> = {};
  for (const [name, schema] of Object.entries(made)) closed[name] = { ...schema, additionalProperties: false };
  for (const [base, { key, subTypes }] of Object.entries(unions)) {
    for (const { value, name } of subTypes) {
      const schema = (closed[value.name] ?? closed[base]) as ObjectSchema;
      closed[value.name] = { ...schema, properties: { ...schema.properties, [key]: { const: name } } };
    }
    closed[base] = {
      type: 'object',
      required: [key],
      discriminator: { propertyName: key },
      oneOf: subTypes.map(({ value }) => ({ $ref: refPointerPrefix + value.name })),
    };
  }
  return closed;
}
