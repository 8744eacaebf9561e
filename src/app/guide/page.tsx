import type { Metadata } from "next";
import { say } from "@/core/language/say";
import { GuideScreen } from "@/ui/guide/guide-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("guide.title") });

export default function GuidePage() {
  return <GuideScreen />;
}
