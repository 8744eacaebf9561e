"use client";

import { say } from "@/core/language/say";
import { Dialog as Primitive } from "radix-ui";
import type { ReactNode } from "react";
import { guideMark, type GuidePlace } from "@/core/model/guide";
import { Floor } from "./floor";
import { keepOpenBeside } from "./beside-dialogs";
import { giveFocusBack } from "./give-focus-back";

const widths = { small: "w-[26.25rem]", medium: "w-[40rem]", large: "w-[60rem]" } as const;

/** A small window over the work, for one question. It gives the focus back to where it was. */
export function Dialog({
  open,
  onClose,
  title,
  hint,
  children,
  size = "small",
  guide,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  hint?: string;
  children: ReactNode;
  size?: keyof typeof widths;
  /** Where in the guide it is explained. */
  guide?: GuidePlace;
}) {
  return (
    <Primitive.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Primitive.Portal>
        <Primitive.Overlay className="fixed inset-0 z-40 bg-[#0b1116]/40" />
        <Primitive.Content
          onInteractOutside={keepOpenBeside}
          aria-describedby={hint ? undefined : ""}
          data-guide={guide && guideMark(guide)}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveFocusBack();
          }}
          className={`border-line bg-surface text-ink fixed left-1/2 top-[min(6rem,5vh)] z-50 max-h-[min(80vh,calc(100vh-5vh-1rem))] max-w-[96vw] -translate-x-1/2 overflow-auto rounded-md border p-4 shadow-xl ${widths[size]}`}
        >
          <Primitive.Title className="text-lg font-bold">{title}</Primitive.Title>
          {hint && <Primitive.Description className="text-ink2 mt-1">{hint}</Primitive.Description>}
          <div className="mt-3">
            <Floor what={say("kit.thisDialog")}>{children}</Floor>
          </div>
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}
