import { eq, isNull } from 'drizzle-orm';
import type { LibSQLDatabase } from 'drizzle-orm/libsql';
import { properties, signatures } from '../../schema.ts';
import { sealOf } from '../../signature-seals.ts';

/** Seals the signatures of before seals existed, once: later a signature without a seal is a damaged one. */
export async function sealFormerSignatures(database: LibSQLDatabase): Promise<void> {
  const done = { name: 'signatures-sealed', value: '1' };
  const marks = await database.select().from(properties).where(eq(properties.name, done.name));
  if (marks.length > 0) return;
  const former = await database.select({ entry: signatures.entry }).from(signatures).where(isNull(signatures.seal));
  for (const { entry } of former)
    try {
      const [row] = await database.select().from(signatures).where(eq(signatures.entry, entry));
      await database
        .update(signatures)
        .set({ seal: sealOf({ ...row!, order: undefined }) })
        .where(eq(signatures.entry, entry));
    } catch {
      // A row that cannot be read stays without a seal: it is reported as damaged.
    }
  await database.insert(properties).values(done).onConflictDoNothing();
}
