import { Text } from '@chakra-ui/react';
import { type ComponentType, type FC, lazy, type ReactNode, Suspense, useState } from 'react';

/** A screen whose script is fetched when it is first opened, or before, where it is known that it will be. */
export interface OpenedScreen<P> extends FC<P> {
  load: () => Promise<unknown>;
}

/** What is there already is shown at once: every wait for a script holds the page up by a third of a second. */
export function opened<K extends string, P extends object>(
  load: () => Promise<Record<K, ComponentType<P>>>,
  name: K,
): OpenedScreen<P> {
  let there: ComponentType<P> | null = null;
  const get = async () => {
    there = (await load())[name];
    return { default: there };
  };
  const Later = lazy(get) as unknown as ComponentType<P>;
  // As long as it stands it stays what it was when it came.
  const Screen = (props: P) => {
    const [now] = useState(() => there);
    const Shown = now ?? Later;
    return <Shown {...props} />;
  };
  return Object.assign(Screen, { load: get });
}

/** Where such screens stand. */
export const Opening = ({ children }: { children: ReactNode }) => (
  <Suspense
    fallback={
      <Text color="quiet" role="status" p="4">
        Opening the page …
      </Text>
    }
  >
    {children}
  </Suspense>
);
