/** Posts to a route that answers one JSON value a line, and hands on each as it arrives. The last one is returned. */
export async function postForLines<T>(
  url: string,
  signal: AbortSignal,
  onLine: (value: unknown) => void,
): Promise<T> {
  const response = await fetch(url, { method: "POST", signal });
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let rest = "";
  let last: unknown = null;
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? "")).split("\n");
    rest = lines.pop()!;
    for (const line of lines) {
      if (last !== null) onLine(last);
      last = JSON.parse(line) as unknown;
    }
    if (done) return last as T;
  }
}
