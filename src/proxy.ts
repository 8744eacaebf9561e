import { NextResponse, type NextRequest } from "next/server";
import { refuseForeign } from "@/server/same-origin";

export function proxy(request: NextRequest): NextResponse {
  const refusal = refuseForeign(request.headers, Number(process.env.SEATING_PORT ?? 4321));
  return refusal === null ? NextResponse.next() : new NextResponse(`${refusal}\n`, { status: 403 });
}
