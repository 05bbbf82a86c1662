/** Results by the object they were made from, each under what else it hangs on. */
export type Kept<K extends object, V> = WeakMap<K, { key: unknown; value: V }>;

/**
 * A result kept as long as the object it was made from, under what else it hangs on (compared as `===` does): while a slider
 * moves, what it does not touch is not made anew. What is kept is shared and must not be changed.
 */
export function remembered<K extends object, V>(kept: Kept<K, V>, of: K, key: unknown, make: () => V): V {
  const known = kept.get(of);
  if (known && known.key === key) return known.value;
  const value = make();
  kept.set(of, { key, value });
  return value;
}
