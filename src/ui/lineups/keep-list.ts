import type { Claim } from "@/core/model/claim";
import type { Lineup } from "@/core/model/lineup";
import type { Outcome } from "@/core/model/outcome";
import { postFile } from "../workspace/post-file";

/** Gives the server a list that came in, as it was read here, with what it says of itself; answers under which id it is kept. */
export function keepList(
  { lineup, claim }: { readonly lineup: Lineup; readonly claim: Claim },
  name: string,
): Promise<Outcome<{ importId: string }>> {
  const file = new Blob([JSON.stringify({ lineup, claim })], { type: "application/json" });
  return postFile("/api/lineups", file, name.slice(0, 150));
}
