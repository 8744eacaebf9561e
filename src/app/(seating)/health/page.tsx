import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { HealthScreen } from "@/ui/health/health-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("health.title") });

export default function HealthPage() {
  return <HealthScreen />;
}
