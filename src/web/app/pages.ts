import { preload } from 'swr';
import { addressOf, get } from '../data/client.ts';
import { opened } from '../ui/opened.tsx';
import { fetchScreen } from './screens.ts';

export const Shelf = opened(() => import('../features/shelf/Shelf.tsx'), 'Shelf');
export const Backups = opened(() => import('../features/shelf/Backups.tsx'), 'Backups');
export const Wardrobe = opened(() => import('../features/wardrobe/Wardrobe.tsx'), 'Wardrobe');
export const PracticePage = opened(() => import('../features/practice/PracticePage.tsx'), 'PracticePage');
export const Project = opened(() => import('./Project.tsx'), 'Project');

/** Fetches all that an address asks for, at once instead of one after the other. */
export function fetchFor(address: string): Promise<unknown> {
  const [, id, path = ''] = /^\/project\/([^/]+)\/?(.*)$/.exec(address) ?? [];
  const alone = { '/backups': Backups, '/wardrobe': Wardrobe, '/practice': PracticePage }[address] ?? Shelf;
  if (id === undefined) return alone.load();
  void preload(addressOf('GET /api/projects/{id}', { id }), get).catch(() => undefined);
  return Promise.all([Project.load(), fetchScreen(path || 'inside')]);
}
