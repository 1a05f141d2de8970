/** Program and options of a service. */
export interface ServiceOf {
  /** Path of Node. */
  readonly node: string;
  /** Path of the program in the unpacked archive. */
  readonly program: string;
  /** Options of `start`, without the folder of data and the passphrase. */
  readonly options: readonly string[];
  /** File with the passphrase; the service reads a copy of its own. Null if only this computer can connect. */
  readonly passphraseFile: string | null;
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
export function unitText({ node, program, options, passphraseFile, data }: ServiceOf): string {
  const ofSystem = data === null;
  const passphrase = passphraseFile === null ? [] : ['"--passphrase-file"', '"%d/passphrase"'];
  const folder = ofSystem ? '"%S/usual-drag/bench"' : word(data);
  const start = [...[node, program, 'start', '--no-browser', ...options].map(word), '"--data"', folder, ...passphrase];
  return [
    '[Unit]',
    'Description=Usual Drag: what a real meter does to the circuit it measures',
    ...(ofSystem ? ['After=network.target'] : []),
    '',
    '[Service]',
    `ExecStart=${start.join(' ')}`,
    ...(passphraseFile === null ? [] : [`LoadCredential=passphrase:${passphraseFile.replace(/%/g, '%%')}`]),
    ...(ofSystem ? ['StateDirectory=usual-drag', 'StateDirectoryMode=0700'] : [`ReadWritePaths=${word(data)}`]),
    'Restart=on-failure',
    'RestartSec=2',
    '# Answers in flight are finished first.',
    'TimeoutStopSec=30',
    '',
    ...(ofSystem ? rightsOfSystem : []),
    ...rights,
    '',
    '[Install]',
    `WantedBy=${ofSystem ? 'multi-user.target' : 'default.target'}`,
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
