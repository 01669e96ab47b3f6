import { LRUCache } from "lru-cache";

/** Reckons something once for each key; of more than `most` keys the one that was not asked for the longest goes. */
export function remembering<V extends object>(most: number): (key: string, reckon: () => V) => V {
  const kept = new LRUCache<string, V>({ max: most });
  return (key, reckon) => {
    const known = kept.get(key) ?? reckon();
    kept.set(key, known);
    return known;
  };
}
