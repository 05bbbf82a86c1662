import { readFileSync } from 'node:fs';

/** A file of the demo projects as text: what its makers in `src/demo` give, which a test there holds equal. */
export const demoText = (name: string): string => readFileSync(`src/demo/files/${name}`, 'utf8');

/** The smallest picture there is, to be put in beside something. */
export const aPicture = {
  name: 'x.png',
  mimeType: 'image/png',
  buffer: Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAQAAAC1HAwCAAAAC0lEQVR42mNkYAAAAAYAAjCB0C8AAAAASUVORK5CYII=',
    'base64',
  ),
};
