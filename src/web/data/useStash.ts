import { useEffect, useState } from 'react';
import { type Stash } from '../../core/cutting/index.ts';
import { STASH } from '../../core/document/project.ts';
import { api, useAsked } from './client.ts';
import { listen } from './live.ts';

/** What one has, as another page sees it and takes from it. */
export interface StashSeen {
  /** Null until it is there. */
  stash: Stash | null;
  /** Changes it, from how it stands now, under words for its history. */
  put: (words: string, next: (s: Stash) => Stash) => Promise<void>;
  /** Why it could not be read or changed. */
  trouble: string | null;
}

export function useStash(): StashSeen {
  const { data, error, mutate } = useAsked('GET /api/stash', {});
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => listen((e) => void ((!e || e.project === STASH) && mutate())), [mutate]);
  const put: StashSeen['put'] = async (words, next) => {
    setFailed(null);
    try {
      const now = await api.stash();
      const value = next(now.document.decisions.stash);
      const patch = [{ op: 'replace' as const, path: '/decisions/stash', value }];
      await mutate(await api.change(STASH, now.revision, words, patch), { revalidate: false });
    } catch (e) {
      setFailed((e as Error).message);
      await mutate();
    }
  };
  return { stash: data?.document.decisions.stash ?? null, put, trouble: failed ?? error?.message ?? null };
}
