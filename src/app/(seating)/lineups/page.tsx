import type { Metadata } from "next";
import { LineupsScreen } from "@/ui/lineups/lineups-screen.client";

export const metadata: Metadata = { title: "Lineups" };

export default function LineupsPage() {
  return <LineupsScreen />;
}
