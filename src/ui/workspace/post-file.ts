import type { Outcome } from "@/core/model/outcome";
import { unreachable } from "./server";
import { windowHeaders } from "./address";

/** Sends a file to a route that answers with an outcome. */
export function postFile<T>(url: string, file: Blob, name?: string): Promise<Outcome<T>> {
  const named: Record<string, string> = name === undefined ? {} : { "x-file-name": encodeURIComponent(name) };
  return fetch(url, { method: "POST", body: file, headers: { ...windowHeaders(), ...named } })
    .then((response) => response.json() as Promise<Outcome<T>>)
    .catch(unreachable);
}
