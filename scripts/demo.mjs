// npm run demo: installs, builds, and serves the sample jobs. `-- --fresh` restores them.
import { resolve } from 'node:path';
import { build, install, root, serve } from './steps.mjs';

install('run');
build();
serve({
  USUAL_DRAG_DATA: resolve(root, process.env.USUAL_DRAG_DATA || 'data/demo'),
  USUAL_DRAG_DEMO: '1',
  USUAL_DRAG_FRESH: process.argv.includes('--fresh') ? '1' : '0',
});
