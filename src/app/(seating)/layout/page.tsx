import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { LayoutScreen } from "@/ui/layout/layout-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("layout.title") });

export default function LayoutPage() {
  return <LayoutScreen />;
}
