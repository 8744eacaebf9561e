import { pluginFile, shelfMod, testRoster } from "@/core/testing/roster";
import { sectionsFor } from "./sections-for";

test("its plugins would sit in the sections that take its tags, and can go to others of their rank", () => {
  const coming = {
    ...shelfMod("new", [pluginFile("new.plank"), pluginFile("new.keel")]),
    tags: ["patch"],
  };
  const seatings = sectionsFor(testRoster([{ name: "core.keel" }]), coming);
  expect(
    seatings.map(({ key, what, section, choices }) => [
      key,
      what,
      section.name,
      choices.map(({ name }) => name),
    ]),
  ).toEqual([
    ["new.plank", "new.plank", "Patches", ["World", "Patches"]],
    ["new.keel", "new.keel", "Foundations", ["Foundations"]],
  ]);
});
