import { commands } from "./commands";
import { keyProblem, keysOf, keysPressed } from "./keys";

const press = (code: string, change: Partial<Parameters<typeof keysPressed>[0]> = {}) =>
  keysPressed({
    code,
    key: code.slice(-1).toLowerCase(),
    ctrlKey: false,
    metaKey: false,
    altKey: false,
    shiftKey: false,
    ...change,
  });
const command = (id: string) => commands.find((each) => each.id === id)!;
const propose = command("propose");

test("what is pressed is named with its modifiers, whichever key stands for Ctrl", () => {
  expect(press("KeyZ", { ctrlKey: true })).toBe("Mod+Z");
  expect(press("KeyZ", { metaKey: true })).toBe("Mod+Z");
  expect(press("KeyZ", { ctrlKey: true, shiftKey: true })).toBe("Mod+Shift+Z");
  expect(press("Digit1", { altKey: true })).toBe("Alt+1");
  expect(press("F6", { key: "F6" })).toBe("F6");
  expect(press("Slash", { key: "?", shiftKey: true })).toBe("?");
  for (const code of ["AltLeft", "ArrowUp", "Enter", "Slash"]) expect(press(code)).toBeNull();
});

test("no two commands have the same keys at first, and each of them could be given its own", () => {
  const keys = commands.flatMap((each) => (each.keys ? [each.keys] : []));
  expect(new Set(keys).size).toBe(keys.length);
  expect(keys.length).toBeGreaterThan(15);
  for (const each of commands)
    if (each.keys) expect([each.id, keyProblem(each.keys, each, commands, {})]).toEqual([each.id, null]);
});

test("keys that are in use are refused by the name of what has them, as they are changed", () => {
  const trial = command("trial");
  expect(keyProblem("Alt+T", propose, commands, {})).toEqual({ why: "used", by: trial.title, id: "trial" });
  // It has given them up.
  expect(keyProblem("Alt+T", propose, commands, { trial: "" })).toBeNull();
  expect(keyProblem("Alt+Y", propose, commands, { trial: "Alt+Y" })).toMatchObject({ id: "trial" });
  expect(keyProblem("Alt+O", propose, commands, {})).toBeNull();
});

test("what is typed, or belongs to lists and the browser, is refused", () => {
  for (const keys of ["P", "7", "Shift+P"])
    expect(keyProblem(keys, propose, commands, {})).toEqual({ why: "plain" });
  for (const keys of ["Mod+A", "Mod+C", "Mod+W", "Mod+K"])
    expect(keyProblem(keys, propose, commands, {})).toEqual({ why: "taken" });
  expect(keyProblem("F6", propose, commands, {})).toBeNull();
});

test("a command has its own keys until they are changed or taken away", () => {
  expect(keysOf(propose, {})).toBe("Alt+O");
  expect(keysOf(propose, { propose: "F6" })).toBe("F6");
  expect(keysOf(propose, { propose: "" })).toBeNull();
  expect(keysOf(command("list-in"), {})).toBeNull();
});
