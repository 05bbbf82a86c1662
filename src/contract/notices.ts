/** What Woodbine has to tell about the data itself, kept until it has been read. `code` and `data` make the sentence. */
export interface Notice {
  id: string;
  code: string;
  data: Record<string, number | string>;
  at: string;
}

const day = (iso: unknown): string => String(iso).slice(0, 16).replace('T', ', ');
const changes = (n: unknown): string => (Number(n) === 1 ? 'One change' : `${n} changes`);

const SENTENCES: Record<string, (d: Notice['data']) => string> = {
  'database-rebuilt': (d) =>
    `The database could not be read. It was made anew from ${d.from ? `the backup of ${day(d.from)} and the journal` : 'the journal'}.${d.aside ? ` What was there is kept as "${d.aside}" in the data folder.` : ''}`,
  'database-incomplete': () =>
    'The database is damaged and no backup could be read. What can be read of it is here; look your projects over, and make a backup.',
  'backup-damaged': (d) => `The backup "${d.name}" could not be read, and an older one was taken.`,
  'journal-damaged': (d) =>
    `${d.bytes} bytes of the journal could not be read and are kept as "${d.name}". ${d.end ? 'If the very last change before Woodbine stopped is not there, make it again.' : 'What is missing by it, if anything, is told beside.'}`,
  'records-lost': (d) =>
    `${changes(d.count)}${d.before ? ` made before ${day(d.before)}` : ''} could not be read any more, and it is not known of which project. Look over what you did last before that.`,
  'changes-lost': (d) =>
    `${changes(d.count)} of "${d.name}" could not be read any more. What came after stands, as far as it fits: look the project over.`,
  'file-mended': (d) => `The file "${d.name}" was damaged on the disk, and was put back from its second copy.`,
};

export const sentenceOfNotice = (n: Pick<Notice, 'code' | 'data'>): string =>
  SENTENCES[n.code]?.(n.data) ?? `Something is to be told about the data: ${n.code}.`;
