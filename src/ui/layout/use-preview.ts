import { useEffect, useState } from "react";
import type { LayoutPreview } from "@/core/layout/preview";
import type { Outcome } from "@/core/model/outcome";
import { previewLayout } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

/** What laying the profile out would do now, as its server sees the disk; null before it is known, and while something is done. */
export function usePreview(): Outcome<LayoutPreview> | null {
  const { editor, orderFile } = useWorkspace();
  const profile = useEditor((state) => state.profile);
  const onDisk = useEditor((state) => state.onDisk);
  const stock = useEditor((state) => state.view.stock);
  const { isBusy } = orderFile;
  const [held, setHeld] = useState<{ readonly of: unknown; readonly preview: Outcome<LayoutPreview> } | null>(
    null,
  );
  useEffect(() => {
    if (isBusy) return;
    let wanted = true;
    void editor
      .settled()
      .then(() => previewLayout(profile.id))
      .then((preview) => wanted && setHeld({ of: profile.id, preview }));
    return () => {
      wanted = false;
    };
  }, [editor, profile, onDisk, stock, isBusy]);
  return held?.of === profile.id ? held.preview : null;
}
