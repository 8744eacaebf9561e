import { say } from "@/core/language/say";
import type { Metadata } from "next";
import { ShelfScreen } from "@/ui/shelf/shelf-screen.client";

export const generateMetadata = (): Metadata => ({ title: say("common.shelf") });

export default function ShelfPage() {
  return <ShelfScreen />;
}
