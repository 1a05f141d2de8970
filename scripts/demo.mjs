// npm run demo: installs, builds, and serves the sample jobs. `-- --fresh` starts them anew.
import { rmSync } from 'node:fs';
import { resolve } from 'node:path';
import { build, install, root, serve } from './steps.mjs';

const data = resolve(root, process.env.USUAL_DRAG_DATA ?? 'data/demo');
install();
build();
if (process.argv.includes('--fresh'))
  for (const end of ['', '-wal', '-shm']) rmSync(`${data}/usual-drag.sqlite${end}`, { force: true });
serve({ USUAL_DRAG_DATA: data, USUAL_DRAG_DEMO: '1' });
