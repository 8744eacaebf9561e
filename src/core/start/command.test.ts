import { GameDefinition } from "../model/game";
import { OwnWay, StartWay } from "../model/start";
import { testGame } from "../testing/game";
import { commandOf, wayKey, type StartPlace } from "./command";

const place: StartPlace = {
  game: "/games/deep sea",
  order: "/home/ö",
  player: "hazel",
  settings: [
    { kind: "text", id: "map", label: "Map", standard: "old mill" },
    { kind: "switch", id: "windowed", label: "Windowed", standard: false },
  ],
  launch: { windowed: true },
};
const way = (more: Partial<StartWay> = {}): StartWay => ({
  id: "play",
  name: "Play",
  starts: "profile",
  program: "bin/play game",
  ...more,
});

test("a way comes to a program below the game's folder, with each argument as one, whatever is in it", () => {
  const words = [
    "--order={order}",
    "{game}/x",
    '"quoted" $HOME `ls`; rm',
    "--map={launch.map}",
    "{launch.windowed}",
  ];
  const command = commandOf(
    way({
      arguments: [...words, "{player}", "{other}"],
      environment: [{ name: "MODE", value: "{game} 'a'" }],
    }),
    place,
  );
  expect(command).toEqual({
    ok: true,
    value: {
      program: "/games/deep sea/bin/play game",
      arguments: [
        "--order=/home/ö",
        "/games/deep sea/x",
        '"quoted" $HOME `ls`; rm',
        "--map=old mill",
        "true",
        "hazel",
        "{other}",
      ],
      folder: "/games/deep sea/bin",
      environment: { MODE: "{game} 'a'" },
    },
  });
  expect(commandOf(way({ folder: "base" }), place)).toMatchObject({
    value: { folder: "/games/deep sea/base" },
  });
});

test("a value of a profile that looks like an option is refused where it begins an argument, and what is put in is not read anew", () => {
  const told = (argument: string, map: string) =>
    commandOf(way({ arguments: [argument] }), { ...place, launch: { map } });
  for (const map of ["--run=evil", "-x", "/quit", "@file", "+exec"])
    expect(told("{launch.map}", map)).toMatchObject({ ok: false, refusal: { code: "start-like-option" } });
  expect(told("--map={launch.map}", "--run=evil")).toMatchObject({
    value: { arguments: ["--map=--run=evil"] },
  });
  expect(told("{launch.map}", "{order}")).toMatchObject({ value: { arguments: ["{order}"] } });
  expect(told("--map={launch.map}", "a\0b")).toMatchObject({ ok: false });
});

test("what nobody knows is refused, and a game without profiles of its own has no player", () => {
  for (const argument of ["{launch.nothing}", "{player}"])
    expect(commandOf(way({ arguments: [argument] }), { ...place, player: null })).toMatchObject({
      ok: false,
      refusal: { code: "start-unknown-value", data: { value: argument } },
    });
});

test("a definition names no program outside of the game's folder, and an owner a whole path", () => {
  for (const program of ["/bin/sh", "../sh", "a/../../sh", "C:\\sh", "C:/sh", "a\\b", "a//b", "", "a/"])
    expect(StartWay.safeParse(way({ program })).success).toBe(false);
  for (const program of ["/opt/tools/a b", "C:\\Tools\\a.exe", "D:/a", "\\\\host\\share\\a.exe"])
    expect(OwnWay.safeParse(way({ program })).success).toBe(true);
  for (const program of ["a", "./a", "../a", "/"])
    expect(OwnWay.safeParse(way({ program })).success).toBe(false);
  expect(commandOf(OwnWay.parse(way({ program: "/opt/a b" })), place)).toMatchObject({
    value: { program: "/opt/a b", folder: "/opt" },
  });
  expect(GameDefinition.parse({ ...testGame, start: [way()] }).start).toHaveLength(1);
});

test("all that runs is in the key by which a way is confirmed, and its name is not", () => {
  const key = wayKey(way());
  expect(wayKey(way({ name: "Other" }))).toBe(key);
  const others = [
    way({ program: "bin/other" }),
    way({ arguments: ["a"] }),
    way({ arguments: ["a b"] }),
    way({ arguments: ["a", "b"] }),
    way({ folder: "bin" }),
    way({ environment: [{ name: "A", value: "b" }] }),
  ];
  expect(new Set([key, ...others.map(wayKey)]).size).toBe(others.length + 1);
});
