import type { ReactNode } from "react";
import { preload } from "react-dom";
import { openedWindow } from "@/server/window";
import { Opening } from "@/ui/frame/opening.client";
import { largeRead } from "@/ui/workspace/address";

export default async function SeatingLayout({ children }: { children: ReactNode }) {
  const { profile, token } = await openedWindow();
  // What the window will read is on its way before its scripts are.
  for (const path of ["/api/workspace", "/api/stock"] as const)
    preload(largeRead(path, profile, token), { as: "fetch", crossOrigin: "anonymous" });
  return (
    <Opening profile={profile} token={token}>
      {children}
    </Opening>
  );
}
