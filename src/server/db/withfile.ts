import { type Entry } from '../../core/bench/notebook.ts';
import { type Shell } from '../../core/document/project.ts';
import { type Store } from './store.ts';

// Changes that a file comes with: a pattern, a picture.

interface FileSent {
  name: string;
  bytes: Uint8Array;
}

/** A pattern that was read (its pieces as JSON text), with the file it came from, which is kept only with it. */
export const takeShell = (
  store: Store,
  id: string,
  about: Omit<Shell, 'pieces'>,
  read: string,
  upload: FileSent,
  on: number | null = null,
): ReturnType<Store['withFile']> =>
  store.withFile(id, upload, 'Pattern file', on, (packed) => ({ do: 'shell', packed, shell: about, read }));

/** An entry of the notebook, with its picture where there is one: both or none. */
export async function takeEntry(store: Store, id: string, entry: Entry, picture: FileSent | null) {
  const path = `/decisions/notebook/${entry.id}`;
  const label = `Noted: ${entry.words.trim().slice(0, 80) || entry.kind}`;
  if (!picture) {
    const kept = await store.lay(id, label, [{ op: 'add', path, value: entry }]);
    return kept.ok ? { ...kept, entry } : kept;
  }
  const kept = await store.withFile(id, picture, label, null, (packed, file) => ({
    ...{ do: 'change', packed, named: true },
    patch: JSON.stringify([{ op: 'add', path, value: { ...entry, pictures: [file] } }]),
  }));
  return kept.ok ? { ...kept, entry: { ...entry, pictures: [kept.file] } } : kept;
}
