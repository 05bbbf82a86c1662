import { useEffect, useState } from 'react';
import { here } from '../../../contract/here.ts';
import { type Week } from '../../../core/bench/index.ts';
import { useAsked } from '../../data/client.ts';
import { useAgain } from '../../data/useAgain.ts';
import { type Workbook } from '../../data/useProject.ts';

/** The day and the time it is here, anew whenever the page is looked at again. */
function useHere(): { today: string; clock: number } {
  const [now, setNow] = useState(() => new Date());
  useEffect(() => {
    const look = (): void => setNow(new Date());
    document.addEventListener('visibilitychange', look);
    const every = setInterval(look, 10 * 60_000);
    return () => {
      document.removeEventListener('visibilitychange', look);
      clearInterval(every);
    };
  }, []);
  return here(now);
}

/** The calendar of a project as of now, anew whenever the project or the hours are others. */
export function useCalendar(w: Workbook, week: Week | null) {
  const at = useHere();
  const query = `?today=${at.today}&clock=${at.clock}`;
  const { data, error, mutate } = useAsked(
    'GET /api/projects/{id}/calendar',
    { id: w.id },
    { keepPreviousData: true },
    query,
  );
  useAgain(w.revision, () => void mutate());
  useAgain(week, () => void mutate());
  return { data, error, here: at, query };
}
