import { newFolder, startServer, type RunningServer } from '../../apps/server/src/test/running-server.ts';

/** Place of the data of one trial. */
export interface Place {
  /** Starts a server on it. @param port  any that is free if omitted */
  start(port?: number): Promise<RunningServer>;
}

/** Engine of the database on which a trial runs. */
export interface Engine {
  readonly name: 'SQLite' | 'PostgreSQL';
  /** Returns a new place without data. */
  place(): Promise<Place>;
}

export const sqlite: Engine = {
  name: 'SQLite',
  place: () => {
    const folder = newFolder();
    return Promise.resolve({ start: (port) => startServer(folder, portOf(port)) });
  },
};

/** Returns PostgreSQL as an engine. @param create  creates a database and returns its address */
export function postgres(create: (name: string) => Promise<string>): Engine {
  let count = 0;
  return {
    name: 'PostgreSQL',
    async place() {
      count += 1;
      const url = await create(`trial_${count}`);
      // Each server has a folder of its own for its log.
      const start = (port?: number): Promise<RunningServer> =>
        startServer(newFolder(), { ...portOf(port), env: { DATABASE_URL: url } }).catch((error: Error) => {
          // As a service manager does: a start that meets a lost connection is repeated.
          if (error.message.includes('the database server does not answer')) return start(port);
          throw error;
        });
      return { start };
    },
  };
}

const portOf = (port: number | undefined): { readonly port?: number } => (port === undefined ? {} : { port });
