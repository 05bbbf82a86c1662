import { readFileSync } from 'node:fs';

/** A file of the demo projects as text: what its makers in `src/demo` give, which a test there holds equal. */
export const demoText = (name: string): string => readFileSync(`src/demo/files/${name}`, 'utf8');
