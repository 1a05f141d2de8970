import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** A server of its own, built and started as it is for a person, on a free port. */
export interface RunningServer {
  readonly address: string;
  readonly process: ChildProcess;
  /** What it wrote on its streams. */
  output(): string;
  ask(method: string, path: string, body?: unknown): Promise<Answer>;
  stop(signal: 'SIGTERM' | 'SIGKILL'): Promise<number | null>;
}

interface Answer {
  readonly status: number;
  readonly headers: Headers;
  readonly text: string;
  readonly json: never;
}

export const newFolder = (): string => mkdtempSync(join(tmpdir(), 'usual-drag-data-'));

export async function startServer(folder: string, demo = false): Promise<RunningServer> {
  const child = spawn(process.execPath, [join(__dirname, '../../dist/main.js')], {
    env: { ...process.env, PORT: '0', USUAL_DRAG_DATA: folder, USUAL_DRAG_DEMO: demo ? '1' : '0' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let output = '';
  const address = await new Promise<string>((resolve, reject) => {
    const hear = (chunk: Buffer): void => {
      output += chunk.toString();
      const match = /answers at (\S+)/.exec(output);
      if (match) resolve(match[1]!);
    };
    child.stdout.on('data', hear);
    child.stderr.on('data', hear);
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}: ${output}`)));
  });
  return {
    address,
    process: child,
    output: () => output,
    async ask(method, path, body) {
      const response = await fetch(`${address}/api${path}`, {
        method,
        ...(body !== undefined && {
          headers: { 'content-type': 'application/json' },
          body: typeof body === 'string' ? body : JSON.stringify(body),
        }),
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
    async stop(signal) {
      if (child.exitCode !== null) return child.exitCode;
      child.kill(signal);
      const [code] = (await once(child, 'exit')) as [number | null];
      return code;
    },
  };
}
