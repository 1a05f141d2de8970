import { resolve } from 'node:path';
import envPaths from 'env-paths';

/** Options of `start`, in the form that `parseArgs` takes. */
export const startOptions = {
  data: { type: 'string' },
  port: { type: 'string' },
  host: { type: 'string' },
  names: { type: 'string' },
  'passphrase-file': { type: 'string' },
  'tls-cert': { type: 'string' },
  'tls-key': { type: 'string' },
  copies: { type: 'string' },
  'copies-every': { type: 'string' },
  demo: { type: 'boolean' },
  'no-browser': { type: 'boolean' },
} as const;

/** Values of these options, as `parseArgs` returns them. */
export interface StartValues {
  readonly data?: string | undefined;
  readonly port?: string | undefined;
  readonly host?: string | undefined;
  readonly names?: string | undefined;
  readonly 'passphrase-file'?: string | undefined;
  readonly 'tls-cert'?: string | undefined;
  readonly 'tls-key'?: string | undefined;
  readonly copies?: string | undefined;
  readonly 'copies-every'?: string | undefined;
  readonly demo?: boolean | undefined;
  readonly 'no-browser'?: boolean | undefined;
}

/** Environment variable of each option with a value. */
const variableOf = {
  port: 'PORT',
  host: 'HOST',
  names: 'USUAL_DRAG_NAMES',
  'passphrase-file': 'USUAL_DRAG_PASSPHRASE_FILE',
  'tls-cert': 'TLS_CERT',
  'tls-key': 'TLS_KEY',
  copies: 'USUAL_DRAG_COPIES',
  'copies-every': 'USUAL_DRAG_COPIES_EVERY',
} as const;

/** Returns the data folder of this user's programs; the demo has its own. */
export const userDataFolder = (demo: boolean): string =>
  resolve(envPaths('usual-drag', { suffix: '' }).data, demo ? 'demo' : 'bench');

/** Returns the environment with the options; an option takes precedence over its variable. */
export function environmentOf(values: StartValues, env: NodeJS.ProcessEnv): NodeJS.ProcessEnv {
  const demo = values.demo ?? env.USUAL_DRAG_DEMO === '1';
  const given = Object.entries(variableOf).flatMap(([option, variable]) => {
    const value = values[option as keyof typeof variableOf];
    return value === undefined ? [] : [[variable, value] as const];
  });
  return {
    ...env,
    ...Object.fromEntries(given),
    USUAL_DRAG_DATA: resolve(values.data ?? (env.USUAL_DRAG_DATA?.trim() || userDataFolder(demo))),
    ...(demo && { USUAL_DRAG_DEMO: '1' }),
  };
}
