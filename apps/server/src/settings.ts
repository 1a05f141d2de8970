import { resolve } from 'node:path';
import { StartFailure } from './database/start-failure.ts';

/** Where the server listens and keeps its data; from the environment, with defaults for a bench computer. */
export interface Settings {
  /** 0 for any that is free. */
  readonly port: number;
  /** Folder of the database. */
  readonly dataFolder: string;
  /** Start with the sample jobs where the database is new. */
  readonly demo: boolean;
  /** Put the demo's former database aside first. */
  readonly fresh: boolean;
}

/** @throws StartFailure that names the variable where one makes no sense */
export function readSettings(env: NodeJS.ProcessEnv): Settings {
  const given = env.PORT?.trim();
  const port = given ? Number(given) : 8470;
  if (!/^\d*$/.test(given ?? '') || port > 65_535)
    throw new StartFailure(`PORT must be a number from 0 to 65535, not “${env.PORT}”. Set it right, or leave it out.`);
  const demo = env.USUAL_DRAG_DEMO === '1';
  const folder = env.USUAL_DRAG_DATA?.trim();
  return {
    port,
    dataFolder: resolve(folder ? folder : demo ? 'data/demo' : 'data/bench'),
    demo,
    fresh: demo && env.USUAL_DRAG_FRESH === '1',
  };
}
