// Writes the published JSON Schemas from the DTO classes.
import { writeFileSync } from 'node:fs';
import { designSchema, jobSchema, kitSchema, meterProjectSchema } from '@usual-drag/contract/dto';
import { format, resolveConfig } from 'prettier';

for (const [name, schema] of Object.entries({
  job: jobSchema(),
  kit: kitSchema(),
  design: designSchema(),
  'meter-project': meterProjectSchema(),
})) {
  const file = new URL(`../docs/schema/${name}.schema.json`, import.meta.url).pathname;
  const options = { ...(await resolveConfig(file)), parser: 'json' };
  writeFileSync(file, await format(JSON.stringify(schema), options));
}
