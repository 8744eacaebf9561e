import type { Metadata } from "next";
import { ShelfScreen } from "@/ui/shelf/shelf-screen.client";

export const metadata: Metadata = { title: "Shelf" };

export default function ShelfPage() {
  return <ShelfScreen />;
}
