// Tells Jest which line of the source a line of a script that was put together comes from.
import { existsSync, readFileSync } from 'node:fs';

export default {
  process(code, file) {
    const map = `${file}.map`;
    return { code, map: existsSync(map) ? readFileSync(map, 'utf8') : null };
  },
};
