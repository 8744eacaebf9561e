import type { Metadata } from "next";
import { OverviewScreen } from "@/ui/overview/overview-screen.client";

export const metadata: Metadata = { title: "Overview" };

export default function OverviewPage() {
  return <OverviewScreen />;
}
