import { type KeyedMutator } from 'swr';
import { type StateAnswer } from '../../contract/index.ts';
import { useAsked } from './client.ts';

/** How often is asked whether anything can be saved: seldom, and often while it cannot (ms). */
const [SELDOM, OFTEN] = [30_000, 3_000];

/** Whether anything can be saved now, and what is to be told about the data. */
export function useKeeping(): StateAnswer & { refresh: KeyedMutator<StateAnswer> } {
  const { data, mutate } = useAsked(
    'GET /api/state',
    {},
    {
      refreshInterval: (d) => (d && d.saving !== 'ok' ? OFTEN : SELDOM),
    },
  );
  return { saving: data?.saving ?? 'ok', notices: data?.notices ?? [], refresh: mutate };
}
