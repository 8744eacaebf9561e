/** What is done under one key waits for what is being done under it, however that ends; `doing` has those that something is done under. */
export function oneAfterAnother<T>(
  doing: Map<string, Promise<unknown>>,
  key: string,
  work: () => Promise<T>,
): Promise<T> {
  const result = (doing.get(key) ?? Promise.resolve()).then(work, work);
  doing.set(key, result);
  const forget = () => void (doing.get(key) === result && doing.delete(key));
  result.then(forget, forget);
  return result;
}
