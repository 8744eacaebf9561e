import { orderShapes } from "../testing/order-shapes";
import { propose } from "./propose";
import { verifyResult } from "./verify";
import { writeResult } from "./write-result";

test.each(Object.keys(orderShapes))("%s: the independent check finds nothing wrong", (shape) => {
  const problem = orderShapes[shape]!(200);
  const result = writeResult(propose(problem).result);
  expect(verifyResult(problem, result)).toEqual([]);
  const again = {
    ...problem,
    items: result.order.map((id) => problem.items.find((each) => each.id === id)!),
  };
  // Of cycles those needs are kept that agree with the order, so another order may keep others of them.
  if (result.cycles.length === 0) expect(propose(again).result.order).toEqual(result.order);
});
