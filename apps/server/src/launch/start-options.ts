import { resolve } from 'node:path';
import envPaths from 'env-paths';

/** Option of `start`, in a form that `parseArgs` takes. */
interface Option {
  readonly type: 'string' | 'boolean';
  /** Name of its value in the usage; omitted if it takes none. */
  readonly value?: 'FOLDER' | 'FILE' | 'PORT' | 'ADDRESS' | 'NAME,NAME' | 'URL' | 'ADDRESS,ADDRESS' | 'HOURS';
  /** Environment variable with the same meaning. */
  readonly variable?: string;
}

/** Options of `start`. */
export const startOptions = {
  data: { type: 'string', value: 'FOLDER' },
  port: { type: 'string', value: 'PORT', variable: 'PORT' },
  host: { type: 'string', value: 'ADDRESS', variable: 'HOST' },
  names: { type: 'string', value: 'NAME,NAME', variable: 'USUAL_DRAG_NAMES' },
  url: { type: 'string', value: 'URL', variable: 'USUAL_DRAG_URL' },
  proxies: { type: 'string', value: 'ADDRESS,ADDRESS', variable: 'USUAL_DRAG_PROXIES' },
  'passphrase-file': { type: 'string', value: 'FILE', variable: 'USUAL_DRAG_PASSPHRASE_FILE' },
  'tls-cert': { type: 'string', value: 'FILE', variable: 'TLS_CERT' },
  'tls-key': { type: 'string', value: 'FILE', variable: 'TLS_KEY' },
  'database-url-file': { type: 'string', value: 'FILE', variable: 'DATABASE_URL_FILE' },
  copies: { type: 'string', value: 'FOLDER', variable: 'USUAL_DRAG_COPIES' },
  'copies-every': { type: 'string', value: 'HOURS', variable: 'USUAL_DRAG_COPIES_EVERY' },
  demo: { type: 'boolean' },
  'no-browser': { type: 'boolean' },
} as const satisfies Record<string, Option>;

type Options = typeof startOptions;

/** Values of these options, as `parseArgs` returns them. */
export type StartValues = {
  readonly [Name in keyof Options]?: (Options[Name]['type'] extends 'string' ? string : boolean) | undefined;
};

/** An option that was given a value. */
interface GivenOption extends Option {
  readonly name: keyof Options;
  readonly given: string;
}

/** Returns the options that were given a value, in their order. */
export const givenOptions = (values: StartValues): GivenOption[] =>
  Object.entries<Option>(startOptions).flatMap(([key, option]) => {
    const name = key as keyof Options;
    const given = values[name];
    return typeof given === 'string' ? [{ ...option, name, given }] : [];
  });

/** Usage of these options, in one line. */
export const startUsage = Object.entries<Option>(startOptions)
  .map(([name, { value }]) => (value === undefined ? `[--${name}]` : `[--${name} ${value}]`))
  .join(' ');

/** Returns the data folder of this user's programs; the demo has its own. */
export const userDataFolder = (demo: boolean): string =>
  resolve(envPaths('usual-drag', { suffix: '' }).data, demo ? 'demo' : 'bench');

/** Returns the environment with the options; an option takes precedence over its variable. */
export function environmentOf(values: StartValues, env: NodeJS.ProcessEnv): NodeJS.ProcessEnv {
  const demo = values.demo ?? env.USUAL_DRAG_DEMO === '1';
  const variables = givenOptions(values).flatMap(({ variable, given }) => (variable ? [[variable, given]] : []));
  return {
    ...env,
    ...Object.fromEntries(variables),
    USUAL_DRAG_DATA: resolve(values.data ?? (env.USUAL_DRAG_DATA?.trim() || userDataFolder(demo))),
    ...(demo && { USUAL_DRAG_DEMO: '1' }),
  };
}
