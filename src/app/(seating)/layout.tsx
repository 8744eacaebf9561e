import type { ReactNode } from "react";
import { viewWorkspace } from "@/server/views/workspace";
import { FrameScreen } from "@/ui/frame/frame.client";
import { StartScreen } from "@/ui/start/start-screen.client";

export default async function SeatingLayout({ children }: { children: ReactNode }) {
  const view = await viewWorkspace();
  return "profile" in view ? (
    <FrameScreen view={view}>{children}</FrameScreen>
  ) : (
    <StartScreen games={view.games} />
  );
}
