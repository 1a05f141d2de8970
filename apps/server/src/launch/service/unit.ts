import { resolve } from 'node:path';
import { givenOptions, type StartValues } from '../start-options.ts';

/** Program and options of a service. */
export interface ServiceOf {
  /** Path of Node. */
  readonly node: string;
  /** Path of the program in the unpacked archive. */
  readonly program: string;
  /** Options of `start`. The files that they name are passed as credentials: the service cannot read the originals. */
  readonly values: StartValues;
  /** Folder of data of a user's service; null for the computer's own, whose folder systemd makes. */
  readonly data: string | null;
}

/** Quotes a word of a unit so that systemd expands nothing in it. */
const word = (text: string): string =>
  `"${text.replace(/\\/g, '\\\\').replace(/"/g, '\\"').replace(/%/g, '%%').replace(/\$/g, '$$$$')}"`;

/**
 * Returns a systemd unit that runs the server with few rights: it gains no privileges, the system is read-only, and only the
 * data folder is writable.
 */
export function unitText({ node, program, values, data }: ServiceOf): string {
  const isOfSystem = data === null;
  const given = givenOptions(values).filter(({ name }) => name !== 'data');
  const options = given.flatMap(({ name, value, given: text }) => [
    word(`--${name}`),
    value === 'FILE' ? `"%d/${name}"` : word(value === 'FOLDER' ? resolve(text) : text),
  ]);
  const start = [
    ...[node, program, 'start', '--no-browser', ...(values.demo ? ['--demo'] : [])].map(word),
    ...['"--data"', isOfSystem ? '"%S/usual-drag/bench"' : word(data)],
    ...options,
  ];
  const folders = given.flatMap(({ value, given: text }) => (value === 'FOLDER' ? [resolve(text)] : []));
  return [
    '[Unit]',
    'Description=Usual Drag: loading errors of real meters',
    ...(isOfSystem ? ['After=network.target'] : []),
    '',
    '[Service]',
    `ExecStart=${start.join(' ')}`,
    ...given.flatMap(({ name, value, given: text }) =>
      value === 'FILE' ? [`LoadCredential=${name}:${resolve(text).replace(/%/g, '%%')}`] : [],
    ),
    ...(isOfSystem ? ['StateDirectory=usual-drag', 'StateDirectoryMode=0700'] : []),
    // The service also starts while a disk for copies is not connected.
    ...[...(isOfSystem ? [] : [data]), ...folders].map((folder) => `ReadWritePaths=${word(`-${folder}`)}`),
    'Restart=on-failure',
    'RestartSec=2',
    '# Requests in flight are finished first.',
    'TimeoutStopSec=30',
    '',
    ...(isOfSystem ? rightsOfSystem : []),
    ...rights,
    '',
    '[Install]',
    `WantedBy=${isOfSystem ? 'multi-user.target' : 'default.target'}`,
    '',
  ].join('\n');
}

/** Restrictions that only the manager of the system can set; the service's user exists only while it runs. */
const rightsOfSystem = [
  'DynamicUser=yes',
  'PrivateDevices=yes',
  'PrivateIPC=yes',
  'ProtectClock=yes',
  'ProtectHome=yes',
  'ProtectHostname=yes',
  'ProtectKernelLogs=yes',
  'ProtectKernelModules=yes',
  'ProtectProc=invisible',
  'ProcSubset=pid',
  'CapabilityBoundingSet=',
  'RemoveIPC=yes',
];

/** Restrictions of every service. MemoryDenyWriteExecute is not among them: Node compiles at run time. */
const rights = [
  'NoNewPrivileges=yes',
  'PrivateUsers=yes',
  'PrivateTmp=yes',
  'ProtectSystem=strict',
  'ProtectControlGroups=yes',
  'ProtectKernelTunables=yes',
  'LockPersonality=yes',
  'KeyringMode=private',
  'RestrictAddressFamilies=AF_UNIX AF_INET AF_INET6 AF_NETLINK',
  'RestrictNamespaces=yes',
  'RestrictRealtime=yes',
  'RestrictSUIDSGID=yes',
  'SystemCallArchitectures=native',
  'SystemCallFilter=@system-service',
  'SystemCallFilter=~@privileged @resources',
  'SystemCallErrorNumber=EPERM',
  'UMask=0077',
];
