import { say } from "@/core/language/say";
import { Button } from "./button";

/** Says that a form shows what was typed earlier. */
export function EarlierDraft({ onDiscard }: { onDiscard: () => void }) {
  return (
    <p role="status" className="bg-saffron-soft flex items-center gap-2 rounded-md px-3 py-1.5">
      <span className="grow">{say("kit.thisWasTypedEarlierAndIs")}</span>
      <Button small onClick={onDiscard}>
        {say("kit.discardDraft")}
      </Button>
    </p>
  );
}
