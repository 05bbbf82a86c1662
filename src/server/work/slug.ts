/** A name as part of the name of a file. */
export const slug = (name: string): string =>
  name
    .normalize('NFKD')
    .replace(/[^\w]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 60) || 'project';
