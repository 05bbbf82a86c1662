import { Text } from '@chakra-ui/react';
import { type ComponentType, lazy, type ReactNode, Suspense } from 'react';

/** A screen whose script is fetched when it is first opened. */
export const opened = <K extends string, P extends object>(load: () => Promise<Record<K, ComponentType<P>>>, name: K) =>
  lazy(async () => ({ default: (await load())[name] }));

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
