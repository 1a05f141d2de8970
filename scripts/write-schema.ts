// Writes what follows from the DTO classes: the published JSON Schemas, and the checks made from them. The checks are
// written out as code because a page with a strict content policy cannot make them itself.
import { mkdirSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { checksOf, schemas } from '@usual-drag/contract/checks';
import { format, resolveConfig } from 'prettier';

const folder = (path: string): string => fileURLToPath(new URL(path, import.meta.url));
const own = folder('../packages/contract/src/schema/');

for (const [name, schema] of Object.entries(schemas())) {
  const file = `${folder('../docs/schema/')}${name}.schema.json`;
  const options = { ...(await resolveConfig(file)), parser: 'json' };
  writeFileSync(file, await format(JSON.stringify(schema), options));
}
mkdirSync(own, { recursive: true });
writeFileSync(`${own}first-fault.generated.ts`, checksOf({ allErrors: false }));
writeFileSync(`${own}all-faults.generated.ts`, checksOf({ allErrors: true }));
