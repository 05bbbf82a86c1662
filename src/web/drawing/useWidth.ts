import { type RefObject, useLayoutEffect, useRef, useState } from 'react';

/** Width of an element on screen in px, followed as it changes. */
export function useWidth<T extends Element>(otherwise = 800): { ref: RefObject<T | null>; width: number } {
  const ref = useRef<T | null>(null);
  const [width, setWidth] = useState(otherwise);
  useLayoutEffect(() => {
    const el = ref.current;
    if (!el) return;
    const read = () => setWidth(el.getBoundingClientRect().width || otherwise);
    read();
    const watch = new ResizeObserver(read);
    watch.observe(el);
    return () => watch.disconnect();
  }, [otherwise]);
  return { ref, width };
}
