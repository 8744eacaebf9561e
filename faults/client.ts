import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { profileHeader, tokenHeader } from "@/core/model/window-headers";
import type { Outcome } from "@/core/model/outcome";
import type { actions } from "@/server/actions";
import type { Stock } from "@/core/roster/roster";
import type { WorkspaceView } from "@/server/views/workspace";
import type { ShownView } from "@/ui/workspace/read-workspace";

type Acts = typeof actions;
type Answer<Name extends keyof Acts> = Awaited<ReturnType<Acts[Name]>>;

/** Asks a running server what a window would ask; throws where no answer comes. */
export class Client {
  private constructor(
    private readonly url: string,
    private readonly headers: Record<string, string>,
  ) {}

  /** As a window on a profile, or on the one that was last chosen; `home` is the server's data folder. */
  static async open(url: string, home: string, profile?: string): Promise<Client> {
    const token = (await readFile(join(home, "token"), "utf8")).trim();
    return new Client(url, {
      [tokenHeader]: token,
      ...(profile !== undefined && { [profileHeader]: profile }),
    });
  }

  act<Name extends keyof Acts>(name: Name, ...args: Parameters<Acts[Name]>): Promise<Answer<Name>> {
    const headers = { "content-type": "application/json" };
    return this.ask<Answer<Name>>(`/api/act/${name}`, { body: JSON.stringify(args), headers });
  }

  read<Name extends keyof Acts>(name: Name, ...args: Parameters<Acts[Name]>): Promise<Answer<Name>> {
    const query = new URLSearchParams({ args: JSON.stringify(args) });
    return this.ask<Answer<Name>>(`/api/act/${name}?${query}`);
  }

  async workspace(): Promise<ShownView> {
    const view = await this.ask<WorkspaceView>("/api/workspace");
    return { ...view, stock: (await this.ask<{ stock: Stock }>("/api/stock")).stock };
  }

  post = <T>(path: string, body: Uint8Array | string, name: string): Promise<Outcome<T>> =>
    this.ask(path, { body: body as BodyInit, headers: { "x-file-name": encodeURIComponent(name) } });

  /** Writes the order of a profile to its end. */
  async writeOrder(profile: string): Promise<void> {
    await (
      await this.fetch(`/api/order?${new URLSearchParams({ profile })}`, { body: "", headers: {} })
    ).text();
  }

  /** Reads the shelf to its end. */
  async scan(): Promise<void> {
    await (await this.fetch("/api/shelf", { body: "", headers: {} })).text();
  }

  async download(path: string): Promise<Uint8Array> {
    const response = await this.fetch(path);
    if (!response.ok) throw new Error(`${path} answered ${response.status}`);
    return new Uint8Array(await response.arrayBuffer());
  }

  private async ask<T>(path: string, sent?: { body: BodyInit; headers: Record<string, string> }): Promise<T> {
    return (await (await this.fetch(path, sent)).json()) as T;
  }

  private fetch(path: string, sent?: { body: BodyInit; headers: Record<string, string> }): Promise<Response> {
    return fetch(`${this.url}${path}`, {
      ...(sent && { method: "POST", body: sent.body }),
      headers: { ...this.headers, ...sent?.headers },
      signal: AbortSignal.timeout(60_000),
    });
  }
}
