// Writes the published JSON Schemas from the DTO classes.
import { writeFileSync } from 'node:fs';
import { jobSchema } from '@usual-drag/contract/dto';
import { format, resolveConfig } from 'prettier';

const file = new URL('../docs/schema/job.schema.json', import.meta.url).pathname;
const options = { ...(await resolveConfig(file)), parser: 'json' };
writeFileSync(file, await format(JSON.stringify(jobSchema()), options));
