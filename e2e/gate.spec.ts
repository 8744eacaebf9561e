import { once } from "node:events";
import { createServer, request, type IncomingHttpHeaders } from "node:http";
import { connect, type AddressInfo } from "node:net";
import { expect, test } from "./fixtures";

interface Answered {
  readonly status: number;
  readonly headers: IncomingHttpHeaders;
}

/** Asks past everything that a browser would forbid. */
function ask(
  url: string,
  method: string,
  path: string,
  headers: Record<string, string> = {},
): Promise<Answered> {
  const { port } = new URL(url);
  return new Promise((resolve, reject) => {
    const sent = request({ host: "127.0.0.1", port, path, method, headers }, (answer) => {
      answer.resume();
      resolve({ status: answer.statusCode ?? 0, headers: answer.headers });
    });
    sent.on("error", reject);
    sent.end();
  });
}

test("only its own pages have anything of the server", async ({ seating, page }) => {
  const status = async (...asked: [string, string, Record<string, string>?]) =>
    (await ask(seating.url, ...asked)).status;
  expect(await status("POST", "/api/shelf", { host: "evil.example" })).toBe(403);
  expect(await status("POST", "/api/shelf", { origin: "http://evil.example" })).toBe(403);
  expect(
    await status("POST", "/api/shelf", { "sec-fetch-site": "same-site", "sec-fetch-mode": "cors" }),
  ).toBe(403);
  expect(await status("POST", "/api/shelf")).toBe(200);
  expect(await status("TRACE", "/plan")).toBe(405);
  expect(await status("GET", "/lineup/%ff")).toBe(404);
  expect(await status("GET", "/_next/image?url=%2Ficon.svg&w=64&q=75")).toBe(404);
  for (const path of ["/plan", "/api/alive", "/lineup/x", "/nothing"])
    expect((await ask(seating.url, "GET", path)).headers["content-security-policy"]).toContain(
      "frame-ancestors 'none'",
    );

  // Closed sooner, a connection may be closed just as the next request goes out on it.
  expect((await ask(seating.url, "GET", "/api/alive")).headers["keep-alive"]).toBe("timeout=600");

  const socket = connect(Number(new URL(seating.url).port), "127.0.0.1");
  socket.write(
    `GET / HTTP/1.1\r\nHost: ${new URL(seating.url).host}\r\nConnection: Upgrade\r\nUpgrade: websocket\r\n\r\n`,
  );
  const heard: string[] = [];
  socket.on("data", (data) => heard.push(String(data)));
  await once(socket, "close");
  expect(heard).toEqual([]);

  // A page of another port of this machine, as the browser itself sees it.
  const other = createServer((_, answer) => {
    answer.setHeader("content-type", "text/html");
    answer.end(`<a href="${seating.url}/api/data">export</a><iframe src="${seating.url}/plan"></iframe>`);
  }).listen(0, "127.0.0.1");
  await once(other, "listening");
  await page.goto(`http://127.0.0.1:${(other.address() as AddressInfo).port}/`);
  await expect(page.frameLocator("iframe").getByRole("main")).toHaveCount(0);
  const [answer] = await Promise.all([page.waitForResponse(/api\/data$/), page.getByText("export").click()]);
  expect(answer.status()).toBe(403);
  other.close();
});

test("an archive of 300 MB comes in, and one that is too large is refused with the most that may", async ({
  seating,
}) => {
  test.slow();
  const { port } = new URL(seating.url);
  const send = (path: string, headers: Record<string, string>, parts: number) =>
    new Promise<string>((resolve, reject) => {
      const sent = request({ host: "127.0.0.1", port, path, method: "POST", headers }, (answer) => {
        let text = "";
        answer.on("data", (part) => (text += String(part)));
        answer.on("end", () => resolve(text));
      });
      sent.on("error", reject);
      const part = Buffer.alloc(2 ** 20, 7);
      let left = parts;
      const push = () => {
        while (left-- > 0) if (!sent.write(part)) return void sent.once("drain", push);
        sent.end();
      };
      push();
    });
  // It comes whole; that it is no archive is seen at its end, which a shorter one would not have.
  const come = await send("/api/mods", { "x-file-name": "Large-1.0.zip" }, 300);
  expect(JSON.parse(come)).toMatchObject({
    refusal: { code: "mod-unsound", data: { problem: { code: "not-a-zip" } } },
  });
  const size = String(40 * 2 ** 20);
  const refused = await send("/api/lineups", { "x-file-name": "List.json", "content-length": size }, 40);
  expect(JSON.parse(refused)).toMatchObject({ refusal: { code: "too-large", data: { limit: "32 MB" } } });
});
