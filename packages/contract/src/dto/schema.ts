import { defaultMetadataStorage } from 'class-transformer/cjs/storage.js';
import { validationMetadatasToSchemas } from 'class-validator-jsonschema';
import { leastExponent, type Limit } from '@usual-drag/core/network';
import { elementSubTypes } from './element.dto.ts';
import { functionSubTypes } from './instrument.dto.ts';
import './attempt.dto.ts';
import './design.dto.ts';
import './job.dto.ts';
import './kit.dto.ts';
import './order.dto.ts';
import './requests.dto.ts';
import './read-instrument.dto.ts';
import './sign-job.dto.ts';
import './meter-project.dto.ts';
import { askedForSubTypes } from './problem.dto.ts';
import { readingSubTypes } from './reading.dto.ts';
import { meterSubTypes } from './setup.dto.ts';
import { sheetElementSubTypes } from './worksheet.dto.ts';

type Schema = Record<string, unknown>;
type ObjectSchema = Schema & { properties: Record<string, Schema>; required?: string[] };

const limitSchemas: Readonly<Record<Limit, Schema>> = {
  any: {},
  positive: { exclusiveMinimum: 0 },
  'not-negative': { minimum: 0 },
  count: { minimum: 1, multipleOf: 1 },
  exponent: { exclusiveMinimum: leastExponent, maximum: 1 },
};

/** Lists whose items are distinguished by one key. */
const unions = {
  ElementDto: { key: 'kind', subTypes: elementSubTypes },
  FunctionDto: { key: 'quantity', subTypes: functionSubTypes },
  MeterDto: { key: 'quantity', subTypes: meterSubTypes },
  ReadingDto: { key: 'quantity', subTypes: readingSubTypes },
  AskedForDto: { key: 'what', subTypes: askedForSubTypes },
  SheetElementDto: { key: 'kind', subTypes: sheetElementSubTypes },
};

/** The class that each format of a file consists of. */
export const fileClasses = {
  job: 'JobDto',
  kit: 'KitDto',
  design: 'DesignDto',
  'meter-project': 'MeterProjectDto',
  worksheet: 'WorksheetDto',
  'answered-problem': 'AnsweredProblemDto',
} as const;

/** JSON Schema (draft 2020-12) of a job file, made from the DTO classes. */
export const jobSchema = (): Schema => fileSchema(fileClasses.job, 'Usual Drag job, *.job.json');

/** JSON Schema of a kit file. */
export const kitSchema = (): Schema => fileSchema(fileClasses.kit, 'Usual Drag kit, *.kit.json');

/** JSON Schema of a design file. */
export const designSchema = (): Schema => fileSchema(fileClasses.design, 'Usual Drag design, *.design.json');

/** JSON Schema of a worksheet file. */
export const worksheetSchema = (): Schema =>
  fileSchema(fileClasses.worksheet, 'Usual Drag worksheet, *.worksheet.json');

/** JSON Schema of a problem with answers to be marked. */
export const answeredProblemSchema = (): Schema =>
  fileSchema(fileClasses['answered-problem'], 'Usual Drag problem with answers');

/** JSON Schema of a meter project, as the server stores it. */
export const meterProjectSchema = (): Schema => fileSchema(fileClasses['meter-project'], 'Usual Drag meter project');

/** The schema of every class, by its name, referring to one another in `$defs`. */
export const sharedSchemas = (): Record<string, Schema> => schemas('#/$defs/');

/** A class as a schema of its own, with all that it refers to and nothing else. */
function fileSchema(root: string, title: string): Schema {
  const { [root]: file, ...rest } = schemas('#/$defs/');
  const used = new Set<string>();
  const follow = (schema: unknown): void => {
    for (const [, name] of JSON.stringify(schema).matchAll(/"#\/\$defs\/(\w+)"/g))
      if (!used.has(name!)) {
        used.add(name!);
        follow(rest[name!]);
      }
  };
  follow(file);
  const $defs = Object.fromEntries(Object.entries(rest).filter(([name]) => used.has(name)));
  return { $schema: 'https://json-schema.org/draft/2020-12/schema', title, ...file, $defs };
}

/** The same classes and the requests', as components of the API's description. */
export function requestSchemas(): Record<string, Schema> {
  const prefix = '#/components/schemas/';
  const all = schemas(prefix) as Record<string, ObjectSchema>;
  for (const request of ['CreateJobDto', 'SaveJobDto']) all[request]!.properties.document = { $ref: `${prefix}JobDto` };
  all.SaveReadingsDto!.properties.readings!.items = { $ref: `${prefix}ReadingDto` };
  all.SaveInstrumentDto!.properties.document = { $ref: `${prefix}KitInstrumentDto` };
  all.SaveMeterProjectDto!.properties.document = { $ref: `${prefix}MeterProjectDto` };
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
      const schema = nearest(closed, value) as ObjectSchema;
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

/** The schema of a class, or of the class that it comes from where it adds nothing of its own. */
function nearest(schemas: Readonly<Record<string, Schema>>, described: { readonly name: string }): Schema {
  return schemas[described.name] ?? nearest(schemas, Object.getPrototypeOf(described) as { readonly name: string });
}
