/**
 * What was worked out for a key, made where it is not known; the one used longest ago goes when there are more than `most`.
 *
 * For keys that come from whoever asks: what is remembered must not grow with the questions.
 */
export function remember<K, V>(known: Map<K, V>, most: number, key: K, make: () => V): V {
  const found = known.get(key) ?? make();
  known.delete(key);
  known.set(key, found);
  if (known.size > most) known.delete(known.keys().next().value as K);
  return found;
}
