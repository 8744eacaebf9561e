import { label } from "@/core/edit/steps";
import { noJournal, withNews } from "./journal";

const line = (number: number) => ({
  number,
  label: label("add-section", { name: `s${number}` }),
  at: `2026-11-29T10:00:0${number}.000Z`,
});
const first = withNews(noJournal, { lines: [line(2), line(1)], isWhole: true, oldest: 1, present: 2 });
const numbers = ({ lines }: typeof first) => lines.map(({ number }) => number);

test("news stand before what is known; what is not kept any more goes", () => {
  const next = withNews(first, { lines: [line(4), line(3)], isWhole: false, oldest: 2, present: 4 });
  expect(numbers(next)).toEqual([4, 3, 2]);
  expect(next.present).toBe(4);
});

test("where what is known has been forgotten, the whole takes its place", () => {
  const next = withNews(first, { lines: [line(2), line(1)], isWhole: true, oldest: 1, present: 1 });
  expect(numbers(next)).toEqual([2, 1]);
});
