import type { Metadata } from "next";
import { ProfilesScreen } from "@/ui/profiles/profiles-screen.client";

export const metadata: Metadata = { title: "Profiles" };

export default function ProfilesPage() {
  return <ProfilesScreen />;
}
