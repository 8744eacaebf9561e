import { randomBytes } from "node:crypto";
import { createServer } from "node:http";
import next from "next";
import { profileHeader } from "@/core/model/window-headers";
import { home, root } from "@/disk/places";
import { themeScript } from "./theme-script";
import { closedTo, headersOf, profileInAddress } from "./gate";
import { inLanguage, languageFor, speakAsAsked } from "./languages";
import { readToken } from "./token";

/** Milliseconds by which everything that a window asks is answered later, to see what of it waits for the server and need not. */
const slowness = process.env.SEATING_SLOW ? 300 : 0;

/** Serves the built application of SEATING_ROOT on 127.0.0.1, and nothing that the gate does not let through. */
async function main(): Promise<void> {
  const port = Number(process.env.SEATING_PORT ?? 4321);
  const hostname = "127.0.0.1";
  const token = readToken(home());
  const app = next({ dev: false, dir: root(), hostname, port });
  await app.prepare();
  speakAsAsked();
  const answer = app.getRequestHandler();
  const server = createServer((request, response) => {
    const { method = "", url = "", headers } = request;
    const nonce = randomBytes(16).toString("base64");
    const said = headersOf(url, nonce, themeScript);
    for (const [name, value] of Object.entries(said)) response.setHeader(name, value);
    const closed = closedTo({ method, url, headers }, port, token);
    if (closed) {
      response.writeHead(closed.status, { "content-type": "text/plain; charset=utf-8", connection: "close" });
      return void response.end(`${closed.why}\n`);
    }
    headers[profileHeader] ??= profileInAddress(url) ?? undefined;
    // By this the scripts of a page are marked with the nonce.
    headers["content-security-policy"] = said["content-security-policy"];
    const language = languageFor(headers.cookie ?? "", String(headers["accept-language"] ?? ""));
    const begin = () => void inLanguage(language, () => answer(request, response));
    if (url.startsWith("/api/")) setTimeout(begin, slowness);
    else begin();
  });
  server.on("upgrade", (_, socket) => socket.destroy());
  server.on("connect", (_, socket) => socket.destroy());
  // A large archive may take as long as it takes.
  server.requestTimeout = 0;
  // A connection that is closed after five quiet seconds may be closed just as the next request goes out on it.
  server.keepAliveTimeout = 600_000;
  server.listen(port, hostname);
}

void main();
