import Ajv2020 from 'ajv/dist/2020.js';
import standaloneCode from 'ajv/dist/standalone/index.js';
import {
  answeredProblemSchema,
  designSchema,
  fileClasses,
  jobSchema,
  kitSchema,
  meterProjectSchema,
  sharedSchemas,
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
    inlineRefs: false,
    code: { source: true, esm: true },
  });
  // One schema of all classes, so that the check of a class is written once however many formats contain it.
  ajv.addSchema({ $id: 'shared', $defs: sharedSchemas() });
  const names = Object.entries(fileClasses).map(([name, file]) => {
    ajv.addSchema({ $id: name, $ref: `shared#/$defs/${file}` });
    return [name.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase()), name] as const;
  });
  const code = standaloneCode(ajv, Object.fromEntries(names)).replace(/^"use strict";/, '');
  return `// @ts-nocheck\n// Written by npm run schema from the DTO classes.\n${code}\n`;
}
