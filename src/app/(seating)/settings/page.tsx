import type { Metadata } from "next";
import { SettingsScreen } from "@/ui/game/settings-screen.client";

export const metadata: Metadata = { title: "Settings" };

export default function SettingsPage() {
  return <SettingsScreen />;
}
