// Starts Usual Drag, or runs one of its commands: node usual-drag.mjs help
const [major, minor] = process.versions.node.split('.').map(Number);
if (major < 20 || (major === 20 && minor < 19)) {
  process.stderr.write(
    `Usual Drag needs Node 20.19 or newer. This is ${process.versions.node}: install a newer one.\n`,
  );
  process.exit(1);
}
process.env.USUAL_DRAG_PROGRAM ??= 'node usual-drag.mjs';
await import('./app/server/dist/launch.js');
