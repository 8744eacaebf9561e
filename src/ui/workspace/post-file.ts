import type { Outcome } from "@/core/model/outcome";
import { unreachable } from "./server";

/** Sends a file to a route that answers with an outcome. */
export function postFile<T>(url: string, file: Blob, name?: string): Promise<Outcome<T>> {
  const headers = name === undefined ? undefined : { "x-file-name": encodeURIComponent(name) };
  return fetch(url, { method: "POST", body: file, ...(headers ? { headers } : {}) })
    .then((response) => response.json() as Promise<Outcome<T>>)
    .catch(unreachable);
}
