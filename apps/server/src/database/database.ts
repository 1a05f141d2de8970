import type { Client } from '@libsql/client';
import type { Column, SQL } from 'drizzle-orm';
import type { BaseSQLiteDatabase } from 'drizzle-orm/sqlite-core';
import type { Peers } from './peers.ts';
import type { Tables } from './schema.ts';

/** Builder of statements. It has the types of SQLite; the one of PostgreSQL has the same methods. */
export type Query = Pick<
  BaseSQLiteDatabase<'async', unknown>,
  'select' | 'selectDistinct' | 'insert' | 'update' | 'delete' | 'run'
>;

/** Statement that is not sent before it is awaited. */
type Statement = PromiseLike<unknown>;

/** Job to be added, as its text. */
export interface AddedJob {
  readonly id: string;
  readonly text: string;
}

/** The database, in the same form for every engine. Each engine is a folder of `dialects/`. */
export interface Database {
  readonly engine: 'SQLite' | 'PostgreSQL';
  /** Name of its last migration. */
  readonly schema: string;
  readonly tables: Tables;
  readonly query: Query;
  /** Returns the bytes of a text as an expression; a damaged text does not prevent others from being read. */
  readonly bytesOf: (text: Column) => SQL;
  /** End of a select whose rows are changed by a later statement of the same transaction. */
  readonly locked: SQL;
  /** Other servers on the same database. */
  readonly peers: Peers;
  /** Runs statements in one transaction and returns their results. */
  atomically<const S extends readonly Statement[]>(
    statements: (query: Query) => S,
  ): Promise<{ -readonly [Index in keyof S]: Awaited<S[Index]> }>;
  /** Adds jobs, all or none; other requests are answered meanwhile. */
  addJobs(added: readonly AddedJob[]): Promise<void>;
  /** Continues the numbers of rows after those of rows that were inserted with a number. */
  continueNumbering(): Promise<void>;
  /** Runs `work` while no other server on the same database runs work of this kind. */
  alone<T>(work: () => Promise<T>): Promise<T>;
  /** Place of the database without its password, such as `host:5432/name`; null if it is a file. */
  readonly address: string | null;
  /** Version of the engine. */
  version(): Promise<string>;
  /** Size of the database, bytes. */
  bytes(): Promise<number>;
}

/** The token under which the database is injected. */
export const DATABASE = Symbol('database');

/** The token under which the open SQLite file is injected; null if the database is a server. */
export const DATABASE_FILE = Symbol('database file');

/** The token under which the upgrade at this start is injected; null if there was none. */
export const UPGRADE = Symbol('upgrade');

/** The token under which the path of the folder of data is injected. */
export const DATA_FOLDER = Symbol('data folder');

/** Open file of a SQLite database, for copies and backups. */
export interface DatabaseFile {
  readonly path: string;
  readonly client: Client;
}

/** Upgrade of data that an earlier version wrote. */
export interface Upgrade {
  /** Name of the former schema. */
  readonly from: string;
  /** Data that the present schema adds, in words. */
  readonly added: readonly string[];
  /** Path of the copy made before the upgrade. */
  readonly copy: string;
}

/** Database that is ready for use. */
export interface OpenDatabase {
  /** Path of the folder of data: log and, with SQLite, database and copies. */
  readonly folder: string;
  readonly database: Database;
  /** Null if the database is a server. */
  readonly file: DatabaseFile | null;
  /** Problems that do not prevent the database from being used. */
  readonly warnings: readonly string[];
  /** Upgrade of the data at this start; null if there was none. */
  readonly upgrade: Upgrade | null;
  /** Writes everything to the disk, closes the database and releases the folder. */
  close(): Promise<void>;
}
