import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { line } from './measure.ts';

const assets = join(process.cwd(), 'apps/web/dist/assets');
const page = join(process.cwd(), 'apps/web/dist/index.html');

/** Bytes of script that the first page of a visit loads. */
export function benchFirstLoad(): void {
  console.log('\nThe first load');
  if (existsSync(page)) {
    const entry = [...readFileSync(page, 'utf8').matchAll(/assets\/([\w-]+\.js)/g)].map(([, name]) => name!);
    for (const [what, first] of [
      ['the list of jobs', /^jobs-page-/],
      ['a job on the bench', /^bench-page-/],
    ] as const) {
      const scripts = withImports([...entry, readdirSync(assets).find((name) => first.test(name))!]);
      const bytes = scripts.reduce((sum, name) => sum + gzipSync(readFileSync(join(assets, name))).length, 0);
      line(`  ${what}: script, gzip: ${bytes} bytes`, `${(bytes / 250_000).toFixed(2)} of 250 kB`);
    }
  } else {
    line('  script', 'not built yet: npm run build');
  }
}

/** Scripts with all that they import at once. */
function withImports(names: readonly string[]): string[] {
  const all = new Set(names);
  for (const name of all)
    for (const [, other] of readFileSync(join(assets, name), 'utf8').matchAll(
      /(?:from|import)\s*["']\.\/([\w-]+\.js)["']/g,
    ))
      all.add(other!);
  return [...all];
}
