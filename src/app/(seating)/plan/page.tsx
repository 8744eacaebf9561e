import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { PlanScreen } from "@/ui/plan/plan-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.plan") });

export default function PlanPage() {
  return <PlanScreen />;
}
