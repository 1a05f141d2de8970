// npm start: installs, builds, and serves your own jobs.
import { resolve } from 'node:path';
import { build, install, root, serve } from './steps.mjs';

install('run');
build();
serve({ USUAL_DRAG_DATA: resolve(root, process.env.USUAL_DRAG_DATA || 'data/bench') });
