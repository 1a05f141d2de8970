// Writes the JSON Schemas from the DTO classes: those that files are checked against, and their published copies.
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { designSchema, jobSchema, kitSchema, meterProjectSchema } from '@usual-drag/contract/dto';
import { format, resolveConfig } from 'prettier';

const folders = ['../packages/contract/src/schema/', '../docs/schema/'].map((path) =>
  fileURLToPath(new URL(path, import.meta.url)),
);
for (const [name, schema] of Object.entries({
  job: jobSchema(),
  kit: kitSchema(),
  design: designSchema(),
  'meter-project': meterProjectSchema(),
}))
  for (const folder of folders) {
    mkdirSync(folder, { recursive: true });
    const file = `${folder}${name}.schema.json`;
    const options = { ...(await resolveConfig(file)), parser: 'json' };
    writeFileSync(file, await format(JSON.stringify(schema), options));
  }
