import "server-only";
import { refuse, type Outcome } from "@/core/model/outcome";

/** The border of every action: a fault is logged here and reaches the user as one plain sentence. */
export async function guard<T>(work: () => Promise<Outcome<T>>): Promise<Outcome<T>> {
  try {
    return await work();
  } catch (error) {
    console.error(error);
    return refuse("fault", { detail: error instanceof Error ? error.message : String(error) });
  }
}
