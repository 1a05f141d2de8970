import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { setTimeout as delay } from 'node:timers/promises';

const program = '/usr/sbin/nginx';

export const hasNginx = (): boolean => existsSync(program);

/** A proxy that runs with the sample configuration. */
export interface Proxy {
  readonly port: number;
  stop(): Promise<void>;
}

/**
 * Starts nginx with the sample configuration of the documentation; only ports and certificate are others.
 *
 * @param ports  of the servers behind it
 * @param hasTls  false for plain HTTP, on which browsers do not complain of a test's certificate
 */
export async function startNginx(port: number, ports: readonly number[], hasTls: boolean): Promise<Proxy> {
  const folder = mkdtempSync(join(tmpdir(), 'usual-drag-nginx-'));
  const file = (name: string): string => resolve('apps/server/src/test', name);
  const sample = readFileSync(resolve('docs/examples/nginx.conf'), 'utf8')
    .replace('listen 443 ssl http2;', `listen 127.0.0.1:${port}${hasTls ? ' ssl http2' : ''};`)
    .replace('/etc/ssl/certs/plant.example.pem', file('loopback.cert.pem'))
    .replace('/etc/ssl/private/plant.example.key', file('loopback.key.pem'))
    .replace('server_name plant.example;', 'server_name localhost 127.0.0.1;')
    .replace('server 127.0.0.1:8470;', ports.map((one) => `server 127.0.0.1:${one};`).join(' '));
  const temporary = ['client_body', 'proxy', 'fastcgi', 'uwsgi', 'scgi']
    .map((name) => `${name}_temp_path ${join(folder, name)};`)
    .join(' ');
  const user = process.getuid?.() === 0 ? 'user root;' : '';
  const configuration = join(folder, 'nginx.conf');
  writeFileSync(
    configuration,
    `${user} daemon off; worker_processes 1; pid ${join(folder, 'pid')}; error_log ${join(folder, 'error.log')};
     events { worker_connections 2048; }
     http { access_log off; ${temporary} ${sample} }`,
  );
  const child = spawn(program, ['-p', folder, '-c', configuration, '-e', join(folder, 'error.log')], {
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  while (!(await isListening(port))) {
    if (child.exitCode !== null) throw new Error(`nginx ended: ${readFileSync(join(folder, 'error.log'), 'utf8')}`);
    await delay(20);
  }
  return {
    port,
    async stop() {
      const ended = once(child, 'exit');
      child.kill('SIGTERM');
      await ended;
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

async function isListening(port: number): Promise<boolean> {
  const socket = connect(port, '127.0.0.1');
  const isOpen = await Promise.race([
    once(socket, 'connect').then(
      () => true,
      () => false,
    ),
    once(socket, 'error').then(() => false),
  ]);
  socket.destroy();
  return isOpen;
}
