import { resolve } from 'node:path';

/** Where the server listens and keeps its data; from the environment, with defaults for a bench computer. */
export interface Settings {
  readonly port: number;
  /** Folder of the database. */
  readonly dataFolder: string;
  /** Start with the sample jobs where the database is new. */
  readonly demo: boolean;
}

/** @throws Error that names the variable where one makes no sense */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const port = Number(env.PORT ?? 8470);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT must be a number from 0 to 65535, not “${env.PORT}”.`);
  const demo = env.USUAL_DRAG_DEMO === '1';
  return { port, dataFolder: resolve(env.USUAL_DRAG_DATA ?? (demo ? 'data/demo' : 'data/bench')), demo };
}
