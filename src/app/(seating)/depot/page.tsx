import type { Metadata } from "next";
import { DepotScreen } from "@/ui/depot/depot-screen.client";

export const metadata: Metadata = { title: "Depot" };

export default function DepotPage() {
  return <DepotScreen />;
}
