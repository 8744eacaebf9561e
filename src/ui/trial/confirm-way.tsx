import { say } from "@/core/language/say";
import type { OfferedWay } from "@/core/model/start";
import { Button } from "../kit/button";
import { confirmWay } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";
import { WayFacts } from "./way-facts";

/** What would run, to be read before it does. */
export function ConfirmWay({ way, onAnswer }: { way: OfferedWay; onAnswer: () => void }) {
  const { trial, unwrap } = useWorkspace();
  const confirm = async () => {
    const confirmed = await confirmWay(way.digest);
    unwrap(confirmed);
    if (!confirmed.ok) return;
    onAnswer();
    void trial.start(undefined, way.id);
  };
  return (
    <div
      role="group"
      aria-label={say("trial.confirm")}
      className="bg-saffron-soft shrink-0 space-y-2 px-3 py-2.5"
    >
      <p>{say("trial.confirmWhy", { name: way.name, from: way.from })}</p>
      <WayFacts way={way} />
      <Button look="main" autoFocus onClick={() => void confirm()}>
        {say("trial.confirmAndStart")}
      </Button>
    </div>
  );
}
