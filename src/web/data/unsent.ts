import { type PatchOperation } from '../../contract/index.ts';

/** A change that could not be sent: what it was made on, and what it does. */
export interface Pending {
  revision: number;
  label: string;
  patch: PatchOperation[];
}

/** Keeps what could not be sent while nobody answered, also when the page is closed meanwhile. */
export interface Unsent {
  /** What is kept of a project, oldest first; it is no longer kept then. */
  take: (project: string) => Pending[];
  keep: (project: string, pending: Pending | null) => void;
}

const PREFIX = 'woodbine-unsent-';

function isPending(v: unknown): v is Pending {
  const p = v as Pending | null;
  return typeof p?.revision === 'number' && typeof p.label === 'string' && Array.isArray(p.patch);
}

/** In the browser, each tab under a key of its own: two tabs never write over what the other could not send. */
export function unsentIn(storage: Storage, tab: string): Unsent {
  const keyOf = (project: string): string => `${PREFIX}${project}-${tab}`;
  return {
    take: (project) => {
      const keys = Object.keys(storage).filter((k) => k.startsWith(`${PREFIX}${project}-`));
      const found = keys.flatMap((k): Pending[] => {
        const text = storage.getItem(k);
        storage.removeItem(k);
        try {
          const v: unknown = JSON.parse(text ?? 'null');
          return isPending(v) ? [v] : [];
        } catch {
          return [];
        }
      });
      return found.sort((a, b) => a.revision - b.revision);
    },
    keep: (project, pending) => {
      if (!pending) storage.removeItem(keyOf(project));
      else
        try {
          storage.setItem(keyOf(project), JSON.stringify(pending));
        } catch {
          // No room: it stays on screen, and the browser asks before the page is left.
        }
    },
  };
}
