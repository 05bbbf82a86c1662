/** A file dropped on the shelf, on its way to the project that begins with it. */
let waiting: File | null = null;

export const handOver = (file: File): void => {
  waiting = file;
};

/** The file that waits, once. */
export function takeOver(): File | null {
  const file = waiting;
  waiting = null;
  return file;
}
