import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { ProfilesScreen } from "@/ui/profiles/profiles-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.profiles") });

export default function ProfilesPage() {
  return <ProfilesScreen />;
}
