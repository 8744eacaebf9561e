/** How far keys lie apart when they are dealt out: room for thirty nodes, each put right beside the one before. */
const spacing = 2 ** 32;

/**
 * Nodes 0, 1, 2, … in an order of their own, in which some can be put beside another: a list, with a key for each that is between
 * those of its neighbours. Where there is no room left for one, all keys are dealt out anew.
 */
export class OrderedNodes {
  /** Of each node, greater the later it comes; until the next change. */
  readonly keys: number[];
  private readonly before: number[];
  private readonly behind: number[];
  private first: number;
  private last: number;

  constructor(count: number) {
    this.keys = Array.from({ length: count }, (_, at) => at * spacing);
    this.before = Array.from({ length: count }, (_, at) => at - 1);
    this.behind = Array.from({ length: count }, (_, at) => (at + 1 < count ? at + 1 : -1));
    this.first = count > 0 ? 0 : -1;
    this.last = count - 1;
  }

  key(node: number): number {
    return this.keys[node]!;
  }

  /** The next node, at one end; answers its number. */
  add(at: "front" | "back"): number {
    const node = this.keys.push(0) - 1;
    this.before.push(-1);
    this.behind.push(-1);
    if (at === "front") this.insert([node], -1, this.first);
    else this.insert([node], this.last, -1);
    return node;
  }

  list(): Int32Array {
    const list = new Int32Array(this.keys.length);
    for (let node = this.first, at = 0; node !== -1; node = this.behind[node]!) list[at++] = node;
    return list;
  }

  sorted(nodes: readonly number[]): number[] {
    return [...nodes].sort((a, b) => this.keys[a]! - this.keys[b]!);
  }

  /** All nodes as they are listed. */
  arrange(nodes: readonly number[]): void {
    nodes.forEach((node, at) => {
      this.before[node] = nodes[at - 1] ?? -1;
      this.behind[node] = nodes[at + 1] ?? -1;
      this.keys[node] = at * spacing;
    });
    this.first = nodes[0] ?? -1;
    this.last = nodes.at(-1) ?? -1;
  }

  /** Puts nodes, `border` not among them, right before or behind it, as they are listed. */
  moveBefore(border: number, nodes: readonly number[]): void {
    nodes.forEach((node) => this.takeOut(node));
    this.insert(nodes, this.before[border]!, border);
  }
  moveBehind(border: number, nodes: readonly number[]): void {
    nodes.forEach((node) => this.takeOut(node));
    this.insert(nodes, border, this.behind[border]!);
  }

  private takeOut(node: number): void {
    this.link(this.before[node]!, this.behind[node]!);
  }

  /** -1 stands for what is beyond an end. */
  private link(node: number, next: number): void {
    if (node === -1) this.first = next;
    else this.behind[node] = next;
    if (next === -1) this.last = node;
    else this.before[next] = node;
  }

  private insert(nodes: readonly number[], before: number, behind: number): void {
    const end = nodes.reduce((previous, node) => {
      this.link(previous, node);
      return node;
    }, before);
    this.link(end, behind);
    if (!this.dealBetween(nodes, before, behind)) this.dealAnew();
  }

  private dealBetween(nodes: readonly number[], before: number, behind: number): boolean {
    const low =
      before === -1
        ? (behind === -1 ? 0 : this.keys[behind]!) - (nodes.length + 1) * spacing
        : this.keys[before]!;
    const high = behind === -1 ? low + (nodes.length + 1) * spacing : this.keys[behind]!;
    const step = Math.floor((high - low) / (nodes.length + 1));
    if (step < 1 || Math.max(-low, high) > Number.MAX_SAFE_INTEGER) return false;
    nodes.forEach((node, at) => (this.keys[node] = low + (at + 1) * step));
    return true;
  }

  private dealAnew(): void {
    this.arrange([...this.list()]);
  }
}
