import type { Metadata } from "next";
import { RulesScreen } from "@/ui/rules/rules-screen.client";

export const metadata: Metadata = { title: "Rules" };

export default function RulesPage() {
  return <RulesScreen />;
}
