// Server (rebuilt once) and the interface with instant reload beside it, on the next port.
import { spawn } from 'node:child_process';
import { bin, build, install, node, root, say } from './tools.mjs';

if ((await install()) || (await build())) process.exit(1);
const port = Number(process.env.PORT ?? 4870);
const env = { ...process.env, WOODBINE_DEMO: '1' };
const children = [
  spawn(node, ['dist/server/main.js'], { cwd: root, stdio: 'inherit', env }),
  spawn(node, [bin('vite/bin/vite.js')], { cwd: root, stdio: 'inherit', env }),
];
say(`Interface with instant reload: http://localhost:${port + 1}`);
const stop = () => {
  for (const c of children) c.kill('SIGTERM');
};
process.on('SIGINT', stop);
for (const c of children) c.on('close', stop);
