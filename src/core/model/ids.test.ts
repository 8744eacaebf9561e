import { refuse } from "./outcome";
import { ModId, PluginId, type ProfileId, type SectionId } from "./ids";
import type { Entry } from "./profile";
import { ProfileState } from "./profile";

// Each line below that is expected not to compile fails the check of types where it does.

const mod = ModId.parse("reeds");
const plugin = PluginId.parse("Reeds.plank");

test("an id of one kind stands for none of another, and a bare text for none at all", () => {
  const takes = (_: {
    mod?: ModId;
    profile?: ProfileId;
    section?: SectionId;
    item?: Entry<PluginId>["id"];
  }) => true;
  expect(takes({ mod, item: plugin })).toBe(true);
  // @ts-expect-error a plugin's id is no mod's
  takes({ mod: plugin });
  // @ts-expect-error a mod's id is no profile's
  takes({ profile: mod });
  // @ts-expect-error nor a section's
  takes({ section: mod });
  // @ts-expect-error nor one of the plugins' order
  takes({ item: mod });
  // @ts-expect-error a text was not read by a schema
  takes({ mod: "reeds" });
});

test("the schema brands what it reads, and refuses what is no id", () => {
  const order = { sections: [], entries: [{ id: "reeds", on: true, section: "mods" }] };
  const none = { sections: [], entries: [] };
  const state = { mods: order, plugins: none, rules: [], expansions: [] };
  const read: ModId = ProfileState.parse(state).mods.entries[0]!.id;
  expect(read).toBe("reeds");
  const nameless = { ...order, entries: [{ ...order.entries[0], id: "" }] };
  expect(ProfileState.safeParse({ ...state, mods: nameless }).success).toBe(false);
});

test("a refusal has just what its sentence says", () => {
  expect(refuse("stale")).toEqual({ ok: false, refusal: { code: "stale", data: {} } });
  expect(refuse("not-on-shelf", { path: "a.zip" }).refusal.data.path).toBe("a.zip");
  // @ts-expect-error its sentence names a path
  refuse("not-on-shelf");
  // @ts-expect-error and nothing else
  refuse("not-on-shelf", { path: "a.zip", name: "A" });
  // @ts-expect-error no sentence says this
  refuse("no-such-code");
});
