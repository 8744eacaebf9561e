import type { DepotMod } from "../model/depot";
import type { Want } from "../model/want";
import { testGame } from "../testing/game";
import { pluginFile, shelfMod } from "../testing/roster";
import { Offers, wantsOf } from "./offers";

interface Facts {
  readonly version?: string;
  readonly plugins?: Readonly<Record<string, readonly string[]>>;
  readonly requires?: readonly { readonly mod: string; readonly versions?: string }[];
  readonly terms?: DepotMod["terms"];
}

function offered(
  id: string,
  { version = "1.0.0", plugins = {}, requires = [], terms = null }: Facts = {},
): DepotMod {
  const files = Object.entries(plugins).map(([name, masters]) => pluginFile(name, masters));
  const mod = shelfMod(id, files, version);
  const manifest = {
    format: "seating-mod/1" as const,
    id: mod.id,
    name: id,
    version,
    requires: [...requires],
  };
  return { mod: { ...mod, manifest }, terms, about: "", issues: [], keys: [] };
}

const paid = { kind: "paid" as const, where: "at its author’s" };
const aMod = (id: string, part: Partial<Extract<Want, { kind: "mod" }>> = {}): Want => ({
  kind: "mod",
  id,
  content: null,
  versions: null,
  ...part,
});
const offersOf = (catalogue: readonly DepotMod[], shelf = [shelfMod("here", [pluginFile("Here.keel")])]) =>
  new Offers(testGame, catalogue, { base: [pluginFile("Pond.keel")], shelf });
const filesOf = (offers: Offers, ...wants: Want[]) =>
  offers.of(wants)?.files.map(({ mod }) => `${mod.id} ${mod.version}`) ?? null;

test("what needs something comes behind it, and only what is not here comes along", () => {
  const offers = offersOf([
    offered("top", {
      plugins: { "Top.plank": ["Pond.keel", "HERE.keel", "Deep.keel"] },
      requires: [{ mod: "side" }],
    }),
    offered("side", { requires: [{ mod: "top" }, { mod: "here" }] }),
    offered("deep", { plugins: { "deep.keel": [] }, requires: [{ mod: "base" }] }),
    offered("base"),
    offered("here"),
    offered("stranger"),
  ]);
  const offer = offers.of([aMod("top")])!;
  const order: string[] = offer.files.map(({ mod }) => mod.id);
  expect([...order].sort()).toEqual(["base", "deep", "side", "top"]);
  expect(order.indexOf("base")).toBeLessThan(order.indexOf("deep"));
  expect(order.indexOf("deep")).toBeLessThan(order.indexOf("top"));
  expect([offer.met, offer.needs, offer.byHand]).toEqual([1, 3, []]);
  // What was asked for besides is no need of it.
  expect(offers.of([aMod("top"), aMod("deep"), aMod("nobody")])).toMatchObject({ met: 2, needs: 2 });
});

test("a plugin is met by whatever brings it, folded as the game folds names; the newest version, unless one is named", () => {
  const offers = offersOf([
    offered("reeds", { version: "1.9.0", plugins: { "Reeds.keel": [] } }),
    offered("reeds", { version: "1.10.0", plugins: { "Reeds.keel": [] } }),
    offered("reeds", { version: "2.0.0", plugins: { "Reeds.keel": [] }, terms: paid }),
  ]);
  expect(filesOf(offers, { kind: "plugin", name: "REEDS.KEEL" })).toEqual(["reeds 1.10.0"]);
  expect(filesOf(offers, { kind: "plugin", name: "Rushes.keel" })).toBeNull();
  expect(filesOf(offers, aMod("reeds", { version: "v1.9" }))).toEqual(["reeds 1.9.0"]);
  expect(filesOf(offers, aMod("reeds", { versions: "<1.10" }))).toEqual(["reeds 1.9.0"]);
  const { content } = shelfMod("reeds", [], "1.9.0");
  expect(filesOf(offers, aMod("reeds", { content }))).toEqual(["reeds 1.9.0"]);
  expect(filesOf(offers, aMod("reeds", { content: "0".repeat(64) }))).toBeNull();
});

test("what has only a page is never offered, and named where something needs it", () => {
  const offers = offersOf([
    offered("free", { requires: [{ mod: "paid" }] }),
    offered("paid", { terms: paid }),
  ]);
  expect(offers.of([aMod("paid")])).toBeNull();
  const offer = offers.of([aMod("free"), aMod("paid")])!;
  expect([offer.met, offer.needs, offer.byHand.map(({ mod }) => mod.id)]).toEqual([1, 0, ["paid"]]);
});

test("an older version here does not meet a need for a newer one, and an unsound one meets nothing", () => {
  const catalogue = [
    offered("top", { requires: [{ mod: "here", versions: ">=2" }] }),
    offered("here", { version: "1.0.0", plugins: { "Here.keel": [] } }),
    offered("here", { version: "2.1.0", plugins: { "Here.keel": [] } }),
    offered("rider", { plugins: { "Rider.plank": ["Here.keel"] } }),
  ];
  expect(filesOf(offersOf(catalogue), aMod("top"))).toEqual(["here 2.1.0", "top 1.0.0"]);
  expect(filesOf(offersOf(catalogue), aMod("rider"))).toEqual(["rider 1.0.0"]);
  const broken = { ...shelfMod("here", [pluginFile("Here.keel")]), problem: { code: "empty" } as never };
  expect(filesOf(offersOf(catalogue, [broken]), aMod("rider"))).toEqual(["here 2.1.0", "rider 1.0.0"]);
});

test("two findings that want the same want it once", () => {
  const want = aMod("reeds");
  expect(wantsOf([{ wants: [want] }, {}, { wants: [{ ...want }, { kind: "plugin", name: "a" }] }])).toEqual([
    want,
    { kind: "plugin", name: "a" },
  ]);
});
