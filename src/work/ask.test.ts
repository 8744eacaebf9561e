import { expose } from "comlink";
import { emptyState } from "@/core/edit/arrivals";
import { noOverlaps } from "@/core/roster/overlaps";
import { emptyStock, makeRoster } from "@/core/roster/roster";
import { proposeOrder } from "@/core/edit/accept";
import type { Profile } from "@/core/model/profile";
import { testGame } from "@/core/testing/game";
import { pluginFile, shelfMod } from "@/core/testing/roster";
import { askForList, askForProposal, cancelWork } from "./ask";
import { Jobs, type Asked, type Question } from "./jobs";
import { aProfile } from "@/core/testing/ids";

const workers: StandInWorker[] = [];

/** The browser's worker, here in the same thread, and as slow as the test wants it. */
class StandInWorker {
  static hold: Promise<void> = Promise.resolve();
  readonly told: number[] = [];
  private readonly channel = new MessageChannel();
  constructor() {
    workers.push(this);
    const jobs = new Jobs();
    const know: Jobs["know"] = (game, stock) => {
      this.told.push(stock.base.length);
      jobs.know(game, stock);
    };
    const propose = async (asked: Asked, question: Question) => {
      await StandInWorker.hold;
      return jobs.propose(asked, question);
    };
    const readList: Jobs["readList"] = (...question) => jobs.readList(...question);
    expose({ know, propose, readList }, this.channel.port2);
    this.channel.port2.start();
    this.channel.port1.start();
  }
  postMessage = (message: unknown, transfer: never[]) => this.channel.port1.postMessage(message, transfer);
  addEventListener = (...args: Parameters<MessagePort["addEventListener"]>) =>
    this.channel.port1.addEventListener(...args);
  removeEventListener = (...args: Parameters<MessagePort["removeEventListener"]>) =>
    this.channel.port1.removeEventListener(...args);
  breakDown = (message: string) =>
    this.channel.port1.dispatchEvent(Object.assign(new Event("error"), { message }));
  terminate = () => {
    this.channel.port1.close();
    this.channel.port2.close();
  };
}

const profile: Profile = {
  id: aProfile("p"),
  game: testGame.id,
  name: "Shallows",
  purpose: "play",
  version: 1,
  state: emptyState(testGame, []),
};
const asked: Asked = { profile, overlaps: noOverlaps };
const question: Question = { list: "plugins", how: "propose" };
const stock = emptyStock;

beforeAll(() => Object.assign(globalThis, { Worker: StandInWorker }));
afterAll(() => workers.forEach((worker) => worker.terminate()));

test("the worker is told of the shelf once and answers as the core does", async () => {
  const expected = proposeOrder(makeRoster(testGame, profile, stock), "plugins");
  expect(await askForProposal(testGame, stock, asked, question)).toEqual(expected);
  expect(await askForProposal(testGame, stock, asked, question)).toEqual(expected);
  expect(workers.map((worker) => worker.told)).toEqual([[0]]);
  await askForProposal(testGame, { ...stock }, asked, question);
  expect(workers.map((worker) => worker.told)).toEqual([[0, 0]]);
});

test("a newer question ends an older one, whose answer is null", async () => {
  const before = workers.length;
  let letGo!: () => void;
  StandInWorker.hold = new Promise((resolve) => (letGo = resolve));
  const older = askForProposal(testGame, stock, asked, question);
  const newer = askForProposal(testGame, stock, asked, question);
  expect(await older).toBeNull();
  letGo();
  expect(await newer).not.toBeNull();
  expect(workers.length).toBe(before + 1);
});

test("a worker that breaks down is told, and the next question has another one", async () => {
  StandInWorker.hold = new Promise(() => undefined);
  const waiting = askForProposal(testGame, stock, asked, question);
  const before = workers.length;
  await new Promise((done) => setTimeout(done, 20));
  workers.at(-1)!.breakDown("out of memory");
  await expect(waiting).rejects.toThrow("out of memory");
  StandInWorker.hold = Promise.resolve();
  expect(await askForProposal(testGame, stock, asked, question)).not.toBeNull();
  expect(workers.length).toBe(before + 1);
  const list = askForList(testGame, stock, { bytes: new Uint8Array(), name: "a.txt" }, [], {});
  workers.at(-1)!.breakDown("out of memory");
  expect(await list).toMatchObject({ ok: false, refusal: { code: "fault" } });
});

test("a question that is given up is answered with null; the next one starts afresh", async () => {
  StandInWorker.hold = new Promise(() => undefined);
  const given = askForProposal(testGame, stock, asked, question);
  cancelWork();
  expect(await given).toBeNull();
  StandInWorker.hold = Promise.resolve();
  expect(await askForProposal(testGame, stock, asked, question)).not.toBeNull();
});

test("a list is read in a worker of its own, of what lies on the shelf and in the depot; a refusal comes back as one", async () => {
  StandInWorker.hold = Promise.resolve();
  const reeds = shelfMod("reeds", [pluginFile("Reeds.plank")]);
  const bytes = new TextEncoder().encode("1. Reeds 1.0.0\n2. Quartz\n");
  const read = await askForList(testGame, stock, { bytes, name: "wish list.txt" }, [reeds], { quartz: null });
  if (!read?.ok) throw new Error("refused");
  expect(read.value.lineup.title).toBe("wish list");
  expect(read.value.matches.map(({ how, known }) => [how, known?.from ?? null])).toEqual([
    ["name-version", "depot"],
    ["answer", null],
  ]);
  const empty = await askForList(testGame, stock, { bytes: new Uint8Array(), name: "empty.txt" }, [], {});
  expect(empty).toMatchObject({ ok: false, refusal: { code: "list-empty", data: { name: "empty.txt" } } });
});
