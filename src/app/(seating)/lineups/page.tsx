import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { LineupsScreen } from "@/ui/lineups/lineups-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.lineups") });

export default function LineupsPage() {
  return <LineupsScreen />;
}
