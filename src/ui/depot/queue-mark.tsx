import { rich } from "../kit/rich";
import { Download } from "lucide-react";
import { useWorkspace } from "../workspace/workspace.client";
import { useTransfers } from "./depot.client";

/** Says in the strip how far the queue is, as long as something in it is not done, and opens it. */
export function QueueMark() {
  const { panel } = useWorkspace();
  const state = useTransfers();
  const transfers = state?.transfers.filter((each) => each.state !== "by-hand") ?? [];
  const got = transfers.filter((each) => each.state === "got").length;
  if (got === transfers.length || panel.tab === "queue") return null;
  return (
    <button
      type="button"
      onClick={() => panel.show("queue")}
      className="text-ink2 hover:bg-sunk hover:text-ink flex h-6 items-center gap-1.5 rounded px-1"
    >
      <Download size={14} aria-hidden />
      <span>
        {rich("depot.queueOf", { text: <span className="font-mono">{got}</span> })}
        <span className="font-mono">{transfers.length}</span>
      </span>
    </button>
  );
}
