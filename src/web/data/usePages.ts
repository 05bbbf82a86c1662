import { useMemo } from 'react';
import { type Put } from '../../core/output/index.ts';
import { useAsked } from './client.ts';
import { type Workbook } from './useProject.ts';

/** The pages that would be printed, as the server lays them, so that what is shown is what comes out. */
export interface Pages {
  /** How many, the one with the squares among them; null while they are being laid. */
  pages: number | null;
  /** Where the sheets lie on them; those of before while they are being laid anew. */
  puts: Put[] | null;
  /** Why there are none. */
  trouble: string | null;
}

/** Laid anew for every state that is saved. */
export function usePages(w: Workbook, any: boolean): Pages {
  const { data, error, isLoading } = useAsked(
    'GET /api/projects/{id}/pages',
    any ? { id: w.id } : null,
    { keepPreviousData: true, revalidateOnFocus: false, shouldRetryOnError: false },
    `?revision=${w.revision}`,
  );
  const puts = useMemo(() => data?.placed.map(({ turnDeg, ...p }) => ({ ...p, turn: turnDeg })) ?? null, [data]);
  const fresh = data !== undefined && !isLoading && !w.saving && !w.again;
  return { pages: fresh ? data.pages : null, puts, trouble: error ? error.message : null };
}
