import { type Care } from '../../core/cutting/index.ts';

/** How a garment is cared for, as it is written on its label. */
export function careWords(c: Care): string {
  const wash = `Wash at ${c.wash} °C${c.gentle ? ', gently or by hand' : ''}.`;
  return `${wash} ${c.tumble ? 'May be tumbled dry.' : 'Do not tumble dry.'} Iron at up to ${c.iron} °C.`;
}
