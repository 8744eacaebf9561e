import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { BlendScreen } from "@/ui/blend/blend-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("blend.title") });

export default function BlendPage() {
  return <BlendScreen />;
}
