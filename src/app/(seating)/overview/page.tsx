import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { OverviewScreen } from "@/ui/overview/overview-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.overview") });

export default function OverviewPage() {
  return <OverviewScreen />;
}
