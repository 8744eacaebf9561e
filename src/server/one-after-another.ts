/** What is done under one key waits for what is being done under it, however that ends. */
export function oneAfterAnother<T>(
  doing: Map<string, Promise<unknown>>,
  key: string,
  work: () => Promise<T>,
): Promise<T> {
  const result = (doing.get(key) ?? Promise.resolve()).then(work, work);
  doing.set(key, result);
  return result;
}
