"use client";

import { useEffect, useState } from "react";
import type { LayoutPreview } from "@/core/layout/preview";
import { say } from "@/core/language/say";
import { sayRefusal } from "@/core/messages/refusals";
import type { Outcome } from "@/core/model/outcome";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Say } from "../kit/sentence";
import { previewTakingBack } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";

/** What taking everything back would do, and the key that does it. */
export function TakeBackDialog({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      guide={{ page: "own-game" }}
      title={say("layout.takeAllBack")}
      hint={say("layout.takeAllBackHint")}
    >
      {open && <Ways onClose={onClose} />}
    </Dialog>
  );
}

function Ways({ onClose }: { onClose: () => void }) {
  const { orderFile } = useWorkspace();
  const [preview, setPreview] = useState<Outcome<LayoutPreview> | null>(null);
  useEffect(() => {
    let wanted = true;
    void previewTakingBack().then((outcome) => wanted && setPreview(outcome));
    return () => {
      wanted = false;
    };
  }, []);
  return (
    <div className="space-y-4">
      {preview === null && <p className="text-ink2">{say("common.checking")}</p>}
      {preview?.ok === false && (
        <p className="text-brick">
          <Say parts={sayRefusal(preview.refusal)} />
        </p>
      )}
      {preview?.ok && <Back preview={preview.value} />}
      <div className="flex flex-wrap justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button
          look="main"
          disabled={!preview?.ok}
          onClick={() => {
            onClose();
            void orderFile.takeAllBack();
          }}
        >
          {say("layout.takeAllBack")}
        </Button>
      </div>
    </div>
  );
}

function Back({ preview: { removed, back, kept } }: { preview: LayoutPreview }) {
  return (
    <ul className="list-disc space-y-1 pl-5">
      <li>{say("layout.back.removed", { count: removed })}</li>
      <li>{say("layout.back.back", { count: back.length })}</li>
      {kept.length > 0 && <li>{say("layout.back.kept", { count: kept.length })}</li>}
      <li>{say("layout.back.order")}</li>
    </ul>
  );
}
