import { useEffect, useState } from 'react';
import { type Week } from '../../core/bench/index.ts';
import { type Stash } from '../../core/cutting/index.ts';
import { type Decisions, STASH } from '../../core/document/project.ts';
import { type LengthUnit } from '../../core/units.ts';
import { api, useAsked } from './client.ts';
import { listen } from './live.ts';

/** What is kept over all projects, as another page sees and changes it. */
interface Over<T> {
  /** Null until it is there. */
  now: T | null;
  /** Changes it, from how it stands now, under words for its history; false, and `trouble` says why, where it was not kept. */
  put: (words: string, next: (s: T) => T) => Promise<boolean>;
  /** Why it could not be read or changed. */
  trouble: string | null;
  units: LengthUnit;
}

function useOver<K extends 'stash' | 'week'>(key: K): Over<Decisions[K]> {
  const { data, error, mutate } = useAsked('GET /api/stash', {});
  const [failed, setFailed] = useState<string | null>(null);
  useEffect(() => listen((e) => void ((!e || e.project === STASH) && mutate())), [mutate]);
  const put: Over<Decisions[K]>['put'] = async (words, next) => {
    setFailed(null);
    try {
      const now = await api.stash();
      const value = next(now.document.decisions[key]);
      const patch = [{ op: 'replace' as const, path: `/decisions/${key}`, value }];
      await mutate(await api.change(STASH, now.revision, words, patch), { revalidate: false });
      return true;
    } catch (e) {
      setFailed((e as Error).message);
      await mutate();
      return false;
    }
  };
  return {
    now: data?.document.decisions[key] ?? null,
    put,
    trouble: failed ?? error?.message ?? null,
    units: data?.document.units ?? 'mm',
  };
}

/** What one has. */
export function useStash(): { stash: Stash | null } & Omit<Over<Stash>, 'now'> {
  const { now, ...rest } = useOver('stash');
  return { stash: now, ...rest };
}

/** When there is time for sewing. */
export function useWeek(): { week: Week | null } & Omit<Over<Week>, 'now'> {
  const { now, ...rest } = useOver('week');
  return { week: now, ...rest };
}
