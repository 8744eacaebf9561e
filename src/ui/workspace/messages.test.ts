import { MessageLog } from "./messages";

function storageOf() {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  };
}

const texts = (messages: readonly { text: string }[]) => messages.map(({ text }) => text);

describe("what is told", () => {
  it("is said until it is hushed, and stays in the log, newest first", () => {
    const log = new MessageLog(storageOf(), () => 5);
    log.tell("one", "plain");
    log.tell("two", "wrong");
    const [two, one] = log.getState().all;
    expect(texts(log.getState().said)).toEqual(["one", "two"]);
    log.hush(one!.id);
    expect(texts(log.getState().said)).toEqual(["two"]);
    expect(texts(log.getState().all)).toEqual(["two", "one"]);
    expect(two).toMatchObject({ at: 5, tone: "wrong", act: null });
  });

  it("is said once where it is told again, and counts twice in the log", () => {
    const log = new MessageLog(storageOf());
    for (const text of ["again", "other", "again"]) log.tell(text, "plain");
    expect(texts(log.getState().said)).toEqual(["other", "again"]);
    expect(log.getState().all).toHaveLength(3);
  });

  it("can stand in the log alone, where it is seen elsewhere", () => {
    const storage = storageOf();
    const log = new MessageLog(storage, () => 5);
    log.note("found");
    expect(log.getState()).toMatchObject({ said: [], unread: 0, all: [{ text: "found", at: 5 }] });
    expect(texts(new MessageLog(storage).getState().all)).toEqual(["found"]);
  });

  it("counts as new until the log is looked at", () => {
    const log = new MessageLog(storageOf());
    log.tell("one", "plain");
    log.tell("two", "plain");
    expect(log.getState().unread).toBe(2);
    log.look();
    expect(log.getState().unread).toBe(0);
    log.tell("three", "plain");
    expect(log.getState().unread).toBe(1);
  });

  it("can be acted on once, from the line or from the log", () => {
    const log = new MessageLog(storageOf());
    const run = jest.fn();
    log.tell("moved to the bin", "plain", { word: "Restore", run });
    const { id } = log.getState().all[0]!;
    log.hush(id);
    log.act(id);
    log.act(id);
    expect(run).toHaveBeenCalledTimes(1);
    expect(log.getState().all[0]).toMatchObject({ text: "moved to the bin", act: null });
  });

  it("has been acted on before what it does tells something else", () => {
    const log = new MessageLog(storageOf());
    log.tell("first", "plain", { word: "Undo", run: () => log.tell("second", "plain") });
    log.act(log.getState().all[0]!.id);
    expect(texts(log.getState().said)).toEqual(["second"]);
    expect(texts(log.getState().all)).toEqual(["second", "first"]);
  });

  it("outlasts a reload of the page, without what could be done about it", () => {
    const storage = storageOf();
    new MessageLog(storage, () => 7).tell("kept", "wrong", { word: "Undo", run: () => undefined });
    const { all, said, unread } = new MessageLog(storage).getState();
    expect(all).toEqual([{ id: 0, at: 7, text: "kept", tone: "wrong", act: null }]);
    expect([said, unread]).toEqual([[], 0]);
  });

  it("is bounded, and begins anew where what was kept can't be read or there is no room", () => {
    const storage = storageOf();
    storage.setItem("seating-messages", "[{]");
    const log = new MessageLog({
      ...storage,
      setItem: () => {
        throw new Error("full");
      },
    });
    expect(log.getState().all).toEqual([]);
    for (let at = 0; at < 600; at++) log.tell(`${at}`, "plain");
    expect(log.getState().all).toHaveLength(500);
    expect(log.getState().all[0]!.text).toBe("599");
  });
});
