import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { DepotScreen } from "@/ui/depot/depot-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.depot") });

export default function DepotPage() {
  return <DepotScreen />;
}
