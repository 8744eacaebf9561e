import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { ConflictsScreen } from "@/ui/conflicts/conflicts-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.conflicts") });

export default function ConflictsPage() {
  return <ConflictsScreen />;
}
