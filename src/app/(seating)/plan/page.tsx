import type { Metadata } from "next";
import { PlanScreen } from "@/ui/plan/plan-screen.client";

export const metadata: Metadata = { title: "Plan" };

export default function PlanPage() {
  return <PlanScreen />;
}
