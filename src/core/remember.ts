/**
 * A result kept as long as the object it was made from, under what else it depends on: while a slider moves, what it does
 * not touch is not made anew. What is kept is shared and must not be changed.
 */
export function remembered<K extends object, V>(
  kept: WeakMap<K, { key: string; value: V }>,
  of: K,
  key: string,
  make: () => V,
): V {
  const known = kept.get(of);
  if (known?.key === key) return known.value;
  const value = make();
  kept.set(of, { key, value });
  return value;
}
