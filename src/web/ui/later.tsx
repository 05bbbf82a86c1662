import { type ComponentType, type FunctionComponent, memo, useDeferredValue } from 'react';

/**
 * What need not follow every step of a slider: it is drawn after what must, and keeps showing the state of a moment before until
 * there is time.
 */
export function later<P extends object>(Shown: FunctionComponent<P>): FunctionComponent<P> {
  const Kept = memo(Shown) as unknown as ComponentType<P>;
  return function Later(props: P) {
    return <Kept {...useDeferredValue(props)} />;
  };
}
