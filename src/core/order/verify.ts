/**
 * The independent check of a result: it shares no code with the solver and rebuilds every tie from the problem, less
 * what was set aside. Slow and plain on purpose; each complaint is one sentence.
 */
import { say } from "../language/say";
import type { OrderProblem, OrderResult, OrderRule, WrittenLink } from "../model/problem";

interface Tie {
  readonly before: string;
  readonly after: string;
  readonly because: string;
}

export function verifyResult(problem: OrderProblem, result: OrderResult): string[] {
  const facts = new Facts(problem, result);
  return [
    ...facts.checkPermutation(),
    ...facts.checkSections(),
    ...facts.checkTies(),
    ...facts.checkSetAside(),
    ...facts.checkMoves(),
    ...facts.checkCertificate(),
  ];
}

class Facts {
  private readonly placeNow: ReadonlyMap<string, number>;
  private readonly placeThen: ReadonlyMap<string, number>;
  private readonly classOf = new Map<string, number>();
  /** Effective section by the result's own word: the raised ones', else the item's own. */
  private readonly sectionOf = new Map<string, number>();
  private readonly ties: Tie[];

  constructor(
    private readonly problem: OrderProblem,
    private readonly result: OrderResult,
  ) {
    this.placeNow = new Map(problem.items.map((item, at) => [item.id, at]));
    this.placeThen = new Map(result.order.map((id, at) => [id, at]));
    const { classes = [], sections = [] } = problem;
    const raised = new Map(result.raised.map((each) => [each.item, each.effective]));
    for (const item of problem.items) {
      this.classOf.set(
        item.id,
        item.class === undefined ? Math.max(0, classes.length - 1) : classes.indexOf(item.class),
      );
      const section = raised.get(item.id) ?? item.section;
      if (section !== undefined) this.sectionOf.set(item.id, sections.indexOf(section));
    }
    for (const id of this.heldAtEnds()) this.sectionOf.delete(id);
    this.ties = [...this.needTies(), ...this.ruleTies()];
  }

  private kept(): { rule: OrderRule; index: number; name: string }[] {
    const aside = new Set(this.result.setAside.map((each) => each.index));
    return (this.problem.rules ?? [])
      .map((rule, index) => ({ rule, index, name: rule.id ?? `#${index}` }))
      .filter(({ index }) => !aside.has(index));
  }

  /** Items with a kept must that seats them first or last in the whole list take no part in sections. */
  private heldAtEnds(): string[] {
    return this.kept().flatMap(({ rule }) =>
      "within" in rule && rule.within === "list" && rule.strength === "must" ? [rule.item] : [],
    );
  }

  private needTies(): Tie[] {
    const aside = new Set(
      this.result.setAside.flatMap(({ rule }) =>
        rule.kind === "needs" ? [`${rule.item}\n${rule.other}`] : [],
      ),
    );
    return this.problem.items.flatMap((item) =>
      [...new Set(item.needs ?? [])]
        .filter((need) => this.placeNow.has(need) && !aside.has(`${item.id}\n${need}`))
        .map((need) => ({ before: need, after: item.id, because: "needs" })),
    );
  }

  private ruleTies(): Tie[] {
    return this.kept().flatMap(({ rule, name }): Tie[] => {
      if (rule.kind === "together") return [];
      if ("within" in rule) return this.endTies(rule, name);
      if (!this.placeNow.has(rule.item) || !this.placeNow.has(rule.other)) return [];
      const [before, after] = rule.kind === "before" ? [rule.item, rule.other] : [rule.other, rule.item];
      return [{ before, after, because: name }];
    });
  }

  private endTies(rule: Extract<OrderRule, { kind: "first" | "last" }>, name: string): Tie[] {
    if (!this.placeNow.has(rule.item)) return [];
    const exempt = new Set(
      (this.problem.rules ?? []).flatMap((other) =>
        "within" in other &&
        other.kind === rule.kind &&
        other.within === rule.within &&
        (other.strength === "must" || rule.strength === "prefer")
          ? [other.item]
          : [],
      ),
    );
    const scope = this.problem.items.filter(
      ({ id }) =>
        !exempt.has(id) &&
        this.classOf.get(id) === this.classOf.get(rule.item) &&
        (rule.within === "list" || this.sectionOf.get(id) === this.sectionOf.get(rule.item)),
    );
    return scope.map(({ id }) =>
      rule.kind === "first"
        ? { before: rule.item, after: id, because: name }
        : { before: id, after: rule.item, because: name },
    );
  }

  checkPermutation(): string[] {
    const same =
      this.result.order.length === this.problem.items.length && this.placeThen.size === this.placeNow.size;
    const stranger = this.result.order.find((id) => !this.placeNow.has(id));
    if (stranger !== undefined) return [say("order.isInTheOrderAndNot", { stranger })];
    return same ? [] : [say("order.theOrderDoesNotHoldEvery")];
  }

  /** The effective section is the latest of the item's own and those of what it follows by a need or must in its class. */
  checkSections(): string[] {
    const strict = this.ties.filter(({ because }) => because === "needs" || this.isMustPair(because));
    const effective = new Map(
      this.problem.items.map((item) => [
        item.id,
        item.section === undefined ? -1 : this.problem.sections!.indexOf(item.section),
      ]),
    );
    const held = new Set(this.heldAtEnds());
    for (let changed = true; changed;) {
      changed = false;
      for (const { before, after } of strict) {
        if (this.classOf.get(before) !== this.classOf.get(after) || held.has(before)) continue;
        if (effective.get(before)! <= effective.get(after)!) continue;
        effective.set(after, effective.get(before)!);
        changed = true;
      }
    }
    return this.problem.items.flatMap(({ id, section }) => {
      if (section === undefined || held.has(id) || effective.get(id) === this.sectionOf.get(id)) return [];
      return [
        say("order.theEffectiveSectionOfIsNot", { id, section: this.problem.sections![effective.get(id)!] }),
      ];
    });
  }

  private isMustPair(because: string): boolean {
    return this.kept().some(
      ({ rule, name }) => name === because && rule.strength === "must" && !("within" in rule),
    );
  }

  checkTies(): string[] {
    const late = this.ties.filter(
      ({ before, after }) => this.placeThen.get(before)! >= this.placeThen.get(after)!,
    );
    const complaints = late.map((tie) =>
      say("order.shouldComeBefore", { before: tie.before, after: tie.after, because: tie.because }),
    );
    complaints.push(...this.checkGroups());
    let [rank, section] = [0, 0];
    for (const id of this.result.order) {
      const own = this.classOf.get(id) ?? 0;
      if (own < rank) complaints.push(say("order.standsAfterAnItemOfA", { id }));
      if (own > rank) section = 0;
      rank = Math.max(rank, own);
      const group = this.sectionOf.get(id);
      if (group === undefined) continue;
      if (group < section) complaints.push(say("order.standsAfterAnItemOfA2", { id }));
      section = Math.max(section, group);
    }
    return complaints;
  }

  /** Kept groups stand together; with one of them there is no certificate. */
  private checkGroups(): string[] {
    const groups = this.groups();
    const torn = groups.filter(({ members }) => {
      const places = members.map((id) => this.placeThen.get(id)!);
      return Math.max(...places) - Math.min(...places) !== members.length - 1;
    });
    const complaints = torn.map(({ members, name }) =>
      say("order.doNotStandTogether", { members: members.join(", "), name }),
    );
    if (groups.length > 0 && this.result.certificate !== null)
      complaints.push(say("order.thereIsACertificateAlthoughA"));
    return complaints;
  }

  private groups(): { members: string[]; name: string }[] {
    return this.kept().flatMap(({ rule, name }) => {
      const members =
        rule.kind === "together" ? [...new Set(rule.items)].filter((id) => this.placeNow.has(id)) : [];
      return members.length > 1 ? [{ members, name }] : [];
    });
  }

  checkSetAside(): string[] {
    return this.result.setAside.flatMap(({ rule, because }) => {
      if (because.length === 0) return [];
      const joined = because.every((link, at) => at === 0 || because[at - 1]!.after === link.before);
      const wanted = this.endsOf(rule);
      const right =
        !wanted || (because[0]!.before === wanted.later && because.at(-1)!.after === wanted.earlier);
      const false_ = because.find((link) => !this.holds(link));
      const name = JSON.stringify(rule);
      if (!joined || !right) return [say("order.theChainOfDoesNotLead", { name })];
      return false_
        ? [
            say("order.beforeIsNoTieWasSet", {
              before: false_.before,
              after: false_.after,
              because: false_.because,
              name,
            }),
          ]
        : [];
    });
  }

  private endsOf(rule: OrderResult["setAside"][number]["rule"]): { earlier: string; later: string } | null {
    if (rule.kind === "needs" || rule.kind === "after") return { earlier: rule.other, later: rule.item };
    return rule.kind === "before" ? { earlier: rule.item, later: rule.other } : null;
  }

  private holds({ before, after, because }: WrittenLink): boolean {
    if (because === "class") return this.classOf.get(before)! < this.classOf.get(after)!;
    if (because === "section")
      return (
        this.classOf.get(before) === this.classOf.get(after) &&
        this.sectionOf.get(before)! < this.sectionOf.get(after)!
      );
    if (
      this.groups().some(
        ({ members, name }) => name === because && members.includes(before) && members.includes(after),
      )
    )
      return true;
    return this.ties.some((tie) => tie.before === before && tie.after === after && tie.because === because);
  }

  checkMoves(): string[] {
    const moved = new Set(this.result.moved);
    const stays = this.result.order.filter((id) => !moved.has(id));
    const out = stays.find((id, at) => at > 0 && this.placeNow.get(stays[at - 1]!)! > this.placeNow.get(id)!);
    return out === undefined ? [] : [say("order.doesNotKeepItsPlaceRelative", { out })];
  }

  /** As many inverted pairs as moves, no item twice on a side, and a path from each pair's later item to its earlier one. */
  checkCertificate(): string[] {
    const { certificate, moved } = this.result;
    if (certificate === null) return [];
    const complaints: string[] = [];
    if (certificate.length !== moved.length)
      complaints.push(
        say("order.movesHavePairsInTheCertificate", { count: moved.length, count2: certificate.length }),
      );
    for (const side of [0, 1] as const)
      if (new Set(certificate.map((pair) => pair[side])).size !== certificate.length)
        complaints.push(say("order.anItemStandsTwiceOnOne"));
    const next = this.successors();
    for (const [earlier, later] of certificate) {
      const inverted = this.placeNow.get(earlier)! < this.placeNow.get(later)!;
      if (!inverted || !this.reaches(next, later, earlier))
        complaints.push(say("order.nothingMakesComeBefore", { later, earlier }));
    }
    return complaints;
  }

  private successors(): Map<string, string[]> {
    const next = new Map<string, string[]>();
    for (const { before, after } of this.ties) next.set(before, [...(next.get(before) ?? []), after]);
    return next;
  }

  private reaches(next: ReadonlyMap<string, string[]>, start: string, goal: string): boolean {
    const seen = new Set([start]);
    const open = [start];
    for (let id = open.pop(); id !== undefined; id = open.pop()) {
      const here = id;
      const later = this.problem.items
        .filter(({ id: other }) => this.isLaterGroup(here, other))
        .map((item) => item.id);
      for (const other of [...(next.get(here) ?? []), ...later]) {
        if (other === goal) return true;
        if (seen.size !== seen.add(other).size) open.push(other);
      }
    }
    return false;
  }

  private isLaterGroup(a: string, b: string): boolean {
    const [classA, classB] = [this.classOf.get(a)!, this.classOf.get(b)!];
    const [sectionA, sectionB] = [this.sectionOf.get(a), this.sectionOf.get(b)];
    return (
      classA < classB ||
      (classA === classB && sectionA !== undefined && sectionB !== undefined && sectionA < sectionB)
    );
  }
}
