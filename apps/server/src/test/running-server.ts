import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { testDatabase } from './test-database.ts';

/** A server of its own, built and started as it is for a person. */
export interface RunningServer {
  readonly address: string;
  readonly process: ChildProcess;
  /** Text written to its streams. */
  output(): string;
  ask(method: string, path: string, body?: unknown, headers?: Readonly<Record<string, string>>): Promise<Answer>;
  stop(signal?: 'SIGTERM' | 'SIGKILL'): Promise<number | null>;
}

export interface Answer {
  readonly status: number;
  readonly headers: Headers;
  readonly text: string;
  readonly json: never;
}

export interface ServerOptions {
  readonly demo?: boolean;
  /** Any that is free if omitted. */
  readonly port?: number;
  readonly env?: Readonly<Record<string, string>>;
}

export const newFolder = (): string => mkdtempSync(join(tmpdir(), 'usual-drag-data-'));

/** The built server, from the project's folder, where tests are run. */
export const serverFile = (): string => resolve('apps/server/dist/main.js');

const running = new Set<ChildProcess>();
// A test that fails in the middle leaves no server behind.
if (typeof afterAll === 'function') afterAll(() => running.forEach((child) => child.kill('SIGKILL')));

/** Starts the server on a folder and waits until it answers; throws with its output if it ends instead. */
export async function startServer(
  folder: string,
  { demo = false, port = 0, env = {} }: ServerOptions = {},
): Promise<RunningServer> {
  const child = spawn(process.execPath, [serverFile()], {
    env: {
      ...process.env,
      PORT: String(port),
      USUAL_DRAG_DATA: folder,
      USUAL_DRAG_DEMO: demo ? '1' : '0',
      ...(await testDatabase(folder)),
      ...env,
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  running.add(child);
  child.once('exit', () => running.delete(child));
  let output = '';
  const address = await new Promise<string>((ready, failed) => {
    const hear = (chunk: Buffer): void => {
      output += chunk.toString();
      const match = /answers at (\S+)/.exec(output);
      if (match) ready(match[1]!);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('close', (code) => failed(new Error(`The server ended with ${code}: ${output}`)));
  });
  return {
    address,
    process: child,
    output: () => output,
    async ask(method, path, body, headers = {}) {
      const changes = method !== 'GET' && method !== 'HEAD';
      const response = await fetch(`${address}/api${path}`, {
        method,
        headers: { ...(changes && { 'content-type': 'application/json' }), ...headers },
        ...(body !== undefined && { body: typeof body === 'string' ? body : JSON.stringify(body) }),
      });
      const text = await response.text();
      let json: unknown = null;
      try {
        json = JSON.parse(text);
      } catch {
        json = null;
      }
      return { status: response.status, headers: response.headers, text, json: json as never };
    },
    async stop(signal = 'SIGTERM') {
      if (child.exitCode !== null || child.signalCode !== null) return child.exitCode;
      child.kill(signal);
      const [code] = (await once(child, 'exit')) as [number | null];
      return code;
    },
  };
}
