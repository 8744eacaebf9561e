/** A binary min-heap of integers under a numeric key; `key` must not change while its node is inside. */
export class MinHeap {
  private readonly heap: number[] = [];
  constructor(private readonly key: (node: number) => number) {}

  get size(): number {
    return this.heap.length;
  }

  clear(): void {
    this.heap.length = 0;
  }

  push(node: number): void {
    const heap = this.heap;
    const key = this.key(node);
    let at = heap.push(node) - 1;
    while (at > 0) {
      const parent = (at - 1) >> 1;
      if (this.key(heap[parent]!) <= key) break;
      heap[at] = heap[parent]!;
      at = parent;
    }
    heap[at] = node;
  }

  /** Must not be called on an empty heap. */
  pop(): number {
    const heap = this.heap;
    const top = heap[0]!;
    const last = heap.pop()!;
    if (heap.length === 0) return top;
    const key = this.key(last);
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= heap.length) break;
      if (child + 1 < heap.length && this.key(heap[child + 1]!) < this.key(heap[child]!)) child++;
      if (key <= this.key(heap[child]!)) break;
      heap[at] = heap[child]!;
      at = child;
    }
    heap[at] = last;
    return top;
  }
}
