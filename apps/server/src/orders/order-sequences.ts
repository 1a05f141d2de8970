import { Inject, Injectable } from '@nestjs/common';
import { DATABASE, type Database } from '../database/database.ts';

/** Sequences of the circuits of orders that were reordered. */
@Injectable()
export class OrderSequences {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  /** Returns ids of jobs in their sequence, by order number. */
  async all(): Promise<ReadonlyMap<string, readonly string[]>> {
    const rows = await this.database.query.select().from(this.database.tables.orderSequences);
    return new Map(rows.map(({ order, jobs }) => [order, jobs]));
  }

  async set(order: string, jobs: readonly string[]): Promise<void> {
    const { query, tables } = this.database;
    const { orderSequences } = tables;
    await query
      .insert(orderSequences)
      .values({ order, jobs })
      .onConflictDoUpdate({ target: orderSequences.order, set: { jobs } });
  }
}
