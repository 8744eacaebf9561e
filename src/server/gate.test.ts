import { closedTo, headersOf, profileInAddress } from "./gate";

const asked = (url: string, headers: Record<string, string> = {}, method = "GET") =>
  closedTo({ method, url, headers: { host: "127.0.0.1:4321", ...headers } }, 4321, "s3cret")?.status ?? 200;

const from = (site: string, mode: string, dest = "document") => ({
  "sec-fetch-site": site,
  "sec-fetch-mode": mode,
  "sec-fetch-dest": dest,
});

test("its own pages, and whoever types its address, are answered", () => {
  expect(asked("/plan")).toBe(200);
  expect(asked("/plan", { host: "localhost:4321", origin: "http://localhost:4321" })).toBe(200);
  expect(asked("/api/act/editProfile", from("same-origin", "cors", "empty"), "POST")).toBe(200);
  expect(asked("/api/alive", from("none", "navigate"))).toBe(200);
});

test.each([
  "/api/data",
  "/api/lineups?profile=x",
  "/api/workspace",
  "/api/stock?since=x",
  "/api/act/readProfile",
  "/api/%64ata",
])("%s is read with the token of its pages alone", (path) => {
  const withToken = (token: string) => `${path}${path.includes("?") ? "&" : "?"}token=${token}`;
  expect([path, withToken(""), withToken("s3cre"), withToken("S3CRET")].map((url) => asked(url))).toEqual([
    403, 403, 403, 403,
  ]);
  expect(asked(path, { "x-seating-token": "other" })).toBe(403);
  expect([asked(withToken("s3cret")), asked(path, { "x-seating-token": "s3cret" })]).toEqual([200, 200]);
  expect(asked(path, { "x-seating-token": "s3cret", ...from("same-site", "navigate") })).toBe(403);
});

test.each([
  "/api/contents",
  "/api/trial?way=play",
  "/api/act/confirmWay",
  "/api/act/saveOwnWay",
  "/api/act/removeOwnWay",
])("%s is for windows and the command alone, though it is asked for by a call", (path) => {
  expect([asked(path, {}, "POST"), asked(path)]).toEqual([403, 403]);
  expect(asked(path, { "x-seating-token": "other" }, "POST")).toBe(403);
  expect(asked(path, { "x-seating-token": "s3cret" }, "POST")).toBe(200);
});

test("the profile of a view is in its address; other addresses name none", () => {
  expect(profileInAddress("/plan?q=a&profile=long")).toBe("long");
  expect([
    profileInAddress("/plan"),
    profileInAddress("/api/data?profile=x"),
    profileInAddress("/%ff"),
  ]).toEqual([null, null, null]);
});

test.each([
  [{ host: "evil.example" }],
  [{ host: "127.0.0.1:80" }],
  [{ host: "" }],
  [{ origin: "http://evil.example" }],
  [{ origin: "http://127.0.0.1:4322" }],
  [{ origin: "null" }],
])("%j is refused", (headers) => expect(asked("/plan", headers as Record<string, string>)).toBe(403));

// Another port of this machine is the same site to a browser, and another origin.
test.each(["cross-site", "same-site"])(
  "a page of another origin (%s) can open a view, and nothing else",
  (site) => {
    expect(asked("/plan?q=x", from(site, "navigate"))).toBe(200);
    expect(asked("/plan", from(site, "navigate", "iframe"))).toBe(403);
    expect(asked("/plan", from(site, "no-cors", "image"))).toBe(403);
    expect(asked("/plan", from(site, "navigate"), "POST")).toBe(403);
    for (const path of ["/api/data", "/api/lineups?profile=x", "/api/events", "/lineup/x", "/%61pi/data"])
      expect([path, asked(path, from(site, "navigate"))]).toEqual([path, 403]);
  },
);

test.each([
  ["TRACE", "/plan", 405],
  ["OPTIONS", "/plan", 405],
  ["PUT", "/api/data", 405],
  ["GET", "/lineup/%ff", 404],
  ["GET", "/plan%00", 404],
  ["GET", "http://other/plan", 404],
  ["GET", "/_next/image?url=%2Fa.png&w=64&q=75", 404],
])("%s %s is answered with %i", (method, url, status) => expect(asked(url, {}, method)).toBe(status));

test("every answer says that it may not be framed, sniffed or told of; inline scripts only by nonce or hash", () => {
  for (const url of ["/plan", "/api/data", "/lineup/x", "/_next/static/a.js", "/%ff"]) {
    const headers = headersOf(url, "n0", "alert(1)");
    expect(headers["content-security-policy"]).toContain("frame-ancestors 'none'");
    expect(headers).toMatchObject({ "x-content-type-options": "nosniff", "referrer-policy": "no-referrer" });
  }
  const scripts = /script-src ([^;]*)/.exec(
    headersOf("/plan", "n0", "alert(1)")["content-security-policy"]!,
  )![1];
  // The hash of `alert(1)` in base64, worked out with another tool.
  expect(scripts).toBe("'self' 'nonce-n0' 'sha256-bhHHL3z2vDgxUt0W3dWQOrprscmda2Y5pLsLg4GF+pI='");
  expect(headersOf("/api/data", "n0", "")["content-security-policy"]).toContain("default-src 'none'");
});
