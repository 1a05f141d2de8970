// The direction of imports: what a file may use follows from the folder that it is in.

/** Folders of core from the ground up: each may use those before it, through their index.ts. */
const core = [
  'quantity',
  'network',
  'solver',
  'reduction',
  'instrument',
  'loading',
  'faults',
  'uncertainty',
  'readings',
  'plan',
  'diagnosis',
  'worksheet',
  'workshop',
  'board',
  'drawing',
  'job',
  'report',
  'practice',
];
/** Layers of the page from the ground up; pages beside each other are one layer. */
const web = [
  ['ui'],
  ['api', 'drawing', 'workers'],
  ['documents'],
  ['jobs', 'bench', 'kit', 'workshop', 'correction', 'learn', 'first-minute', 'practice', 'worksheet'],
  ['shell'],
];

const coreRules = core.flatMap((folder, at) => {
  const from = { path: `^packages/core/src/${folder}/`, pathNot: '\\.test\\.ts$' };
  const later = core.slice(at + 1).join('|');
  const upwards = {
    name: `core-${folder}-uses-what-is-before-it`,
    severity: 'error',
    from,
    to: { path: `^packages/core/src/(${later})/` },
  };
  const byIndex = {
    name: `core-${folder}-uses-index-files`,
    severity: 'error',
    from,
    to: { path: '^packages/core/src/[a-z-]+/', pathNot: `^packages/core/src/([a-z-]+/index\\.ts$|${folder}/)` },
  };
  return later ? [upwards, byIndex] : [byIndex];
});

const webRules = web.slice(0, -1).map((layer, at) => ({
  name: `web-${layer[0]}-uses-what-is-below-it`,
  severity: 'error',
  from: { path: `^apps/web/src/(${layer.join('|')})/` },
  to: {
    path: `^apps/web/src/(${web
      .slice(at + 1)
      .flat()
      .join('|')})/`,
  },
}));

/** Steps of a job: they share `model` and `canvas` and do not use each other. */
const steps = ['network', 'true-values', 'setups', 'readings', 'report'];

const benchRules = [
  ...steps.map((step) => ({
    name: `bench-${step}-uses-no-other-step`,
    severity: 'error',
    from: { path: `^apps/web/src/bench/${step}/` },
    to: { path: `^apps/web/src/bench/(${steps.filter((one) => one !== step).join('|')})/` },
  })),
  {
    name: 'bench-canvas-uses-no-step',
    severity: 'error',
    from: { path: '^apps/web/src/bench/(canvas|faults)/' },
    to: { path: `^apps/web/src/bench/(${steps.join('|')})/` },
  },
  {
    name: 'bench-model-uses-no-view',
    severity: 'error',
    from: { path: '^apps/web/src/bench/model/' },
    to: { path: `^apps/web/src/bench/(${[...steps, 'canvas', 'faults'].join('|')})/` },
  },
];

const packageRule = (name, from, pathNot) => ({
  name,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$|/vite\\.config\\.ts$' },
  to: { path: '^(packages|apps)/', pathNot },
});

export default {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    ...coreRules,
    ...webRules,
    ...benchRules,
    packageRule('core-uses-core', '^packages/core/', '^packages/core/'),
    packageRule('contract-uses-core', '^packages/contract/', '^packages/(core|contract)/'),
    packageRule('report-uses-core', '^packages/report/', '^packages/(core|report)/'),
    packageRule('web-uses-contract-and-core', '^apps/web/', '^(packages/|apps/web/)'),
    packageRule('server-uses-contract-and-core', '^apps/server/', '^(packages/|apps/server/)'),
    packageRule('cli-uses-contract-and-core', '^apps/cli/', '^(packages/|apps/cli/)'),
    {
      name: 'core-uses-few-packages',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '\\.test\\.ts$|/test/' },
      to: { path: 'node_modules/', pathNot: 'node_modules/(pure-rand|ml-matrix|@noble/hashes|canonicalize)' },
    },
    {
      name: 'database-knows-no-http',
      severity: 'error',
      from: { path: '^apps/server/src/database/', pathNot: '\\.test\\.ts$|database\\.module\\.ts$' },
      to: { path: '@nestjs|^apps/server/src/http/' },
    },
    {
      name: 'declared',
      severity: 'error',
      from: { path: '^(packages|apps)/[a-z]+/src/', pathNot: '\\.test\\.tsx?$|/test/' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '\\.generated\\.ts$|/dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'types'],
      extensions: ['.ts', '.tsx', '.mjs', '.js'],
    },
  },
};
