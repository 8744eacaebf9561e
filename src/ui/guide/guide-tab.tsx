import { useWorkspace } from "../workspace/workspace.client";
import { GuideReader } from "./guide-reader";

/** The guide below the view that it is about. */
export function GuideTab() {
  const { panel } = useWorkspace();
  return <GuideReader place={panel.guide} onGo={panel.showGuide} />;
}
