import Ajv2020 from 'ajv/dist/2020.js';
import standaloneCode from 'ajv/dist/standalone/index.js';
import {
  answeredProblemSchema,
  designSchema,
  jobSchema,
  kitSchema,
  meterProjectSchema,
  worksheetSchema,
} from './schema.ts';

/** The schema of every format, by the name of its file. */
export const schemas = (): Readonly<Record<string, object>> => ({
  job: jobSchema(),
  kit: kitSchema(),
  design: designSchema(),
  'meter-project': meterProjectSchema(),
  worksheet: worksheetSchema(),
  'answered-problem': answeredProblemSchema(),
});

/** The text of a module that checks values against the schemas: up to the first fault, or to the last. */
export function checksOf({ allErrors }: { readonly allErrors: boolean }): string {
  const ajv = new Ajv2020({
    allErrors,
    discriminator: true,
    strictSchema: false,
    // Lengths in UTF-16 units: nothing else is needed to run it.
    unicode: false,
    logger: false,
    code: { source: true, esm: true },
  });
  const names = Object.entries(schemas()).map(([name, schema]) => {
    ajv.addSchema({ ...schema, $id: name });
    return [name.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase()), name] as const;
  });
  const code = standaloneCode(ajv, Object.fromEntries(names)).replace(/^"use strict";/, '');
  return `// @ts-nocheck\n// Written by npm run schema from the DTO classes.\n${code}\n`;
}
