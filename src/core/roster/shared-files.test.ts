import type { ContentFile } from "../model/shelf";
import { sharedFiles } from "./shared-files";

const game = { paths: { ignoreCase: true } };
const file = (path: string, hash: string | null, part: string | null = null): ContentFile => ({
  path,
  size: 1,
  hash,
  part,
});

test("paths that two contents share are those that the game takes for one, equal where the bytes are", () => {
  const first = [file("Sea/a.dat", "1"), file("b.dat", "2"), file("only.dat", "3")];
  const second = [file("other.dat", "3"), file("B.DAT", "4"), file("sea/A.dat", "1")];
  expect(sharedFiles(game, first, second)).toEqual([
    { path: "Sea/a.dat", equal: true },
    { path: "b.dat", equal: false },
  ]);
  expect(sharedFiles({ paths: { ignoreCase: false } }, first, second)).toEqual([]);
});

test("of files that parts bring it depends on the parts; what is not known is not said to be equal", () => {
  const parts = [file("a.dat", "1", "size/small"), file("a.dat", "2", "size/large")];
  expect(sharedFiles(game, parts, [file("a.dat", "2")])).toEqual([{ path: "a.dat", equal: "some" }]);
  expect(sharedFiles(game, parts, [file("a.dat", "3")])).toEqual([{ path: "a.dat", equal: false }]);
  expect(sharedFiles(game, parts, [file("a.dat", null)])).toEqual([{ path: "a.dat", equal: null }]);
});
