import { useRouter } from "next/navigation";
import { useCallback } from "react";
import { pushWithin } from "./address";

/**
 * The way to a view. To another part of the view that is shown it asks nothing of the server: the router would build the
 * view anew when the answer is there, and what had been opened or typed in it meanwhile would be lost.
 */
export function useGo(): (path: string) => void {
  const router = useRouter();
  return useCallback(
    (path: string) => {
      // The view is shown. Asked for it all the same, the router loads the page anew where the server does not answer.
      if (path === location.pathname || pushWithin(path)) return;
      router.push(path);
    },
    [router],
  );
}
