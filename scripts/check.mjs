// Type check of every room by its own rules.
import { bin, node, run } from './tools.mjs';

const codes = await Promise.all(
  ['core', 'server', 'web', 'test'].map((t) => run(node, [bin('typescript7/bin/tsc'), '-p', `tsconfig.${t}.json`])),
);
process.exit(codes.some(Boolean) ? 1 : 0);
