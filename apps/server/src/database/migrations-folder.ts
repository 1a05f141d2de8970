import { fileURLToPath } from 'node:url';

/** Found from the built file as from the source. */
const isSource = /\/src\/database\/[^/]+$/.test(import.meta.url);

/** Returns the path of the migrations of a dialect. */
export const migrationsFolderOf = (dialect: 'sqlite' | 'postgresql'): string =>
  fileURLToPath(new URL(`${isSource ? '.' : '../src/database'}/dialects/${dialect}/migrations`, import.meta.url));
