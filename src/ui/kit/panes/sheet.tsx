import { say } from "@/core/language/say";
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import type { ReactNode } from "react";
import { Button } from "../button";
import { keepOpenBeside } from "../beside-dialogs";
import { giveFocusBack } from "../give-focus-back";

/** What has no room beside the view comes over it, from a side. */
export function Sheet({
  open,
  onClose,
  at,
  title,
  children,
}: {
  open: boolean;
  onClose: () => void;
  at: "left" | "right";
  title: string;
  children: ReactNode;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={(now) => !now && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#0b1116]/40" />
        <Dialog.Content
          onInteractOutside={keepOpenBeside}
          aria-describedby=""
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            giveFocusBack();
          }}
          className={`border-line bg-surface fixed inset-y-0 z-50 flex w-80 max-w-full flex-col shadow-xl ${at === "left" ? "left-0 border-r" : "right-0 border-l"}`}
        >
          <header className="border-line flex h-10 shrink-0 items-center border-b pl-3.5 pr-1.5">
            <Dialog.Title className="font-bold">{title}</Dialog.Title>
            <Dialog.Close asChild>
              <Button look="quiet" aria-label={say("kit.close")} className="ml-auto w-8 !px-0">
                <X size={16} aria-hidden />
              </Button>
            </Dialog.Close>
          </header>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
