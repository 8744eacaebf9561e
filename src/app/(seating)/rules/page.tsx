import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { RulesScreen } from "@/ui/rules/rules-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.rules") });

export default function RulesPage() {
  return <RulesScreen />;
}
