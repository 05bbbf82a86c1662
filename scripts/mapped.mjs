// Tells Jest which line of the source a line of a script that was put together comes from.
import { readFileSync } from 'node:fs';

export default {
  process: (code, file) => ({ code, map: readFileSync(`${file}.map`, 'utf8') }),
};
