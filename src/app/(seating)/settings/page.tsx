import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { SettingsScreen } from "@/ui/game/settings-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.settings") });

export default function SettingsPage() {
  return <SettingsScreen />;
}
