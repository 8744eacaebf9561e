import { Tooltip } from "radix-ui";
import { useState, type ReactElement, type ReactNode } from "react";
import { say } from "@/core/language/say";
import { wordText } from "@/core/messages/glossary";
import { guideMark, type GuideWord } from "@/core/model/guide";

/** One of our own words where it is met first: what it means is shown to the pointer, the focus and a reader, and F1 leads to the glossary. */
export function Term({ word, children }: { word: GuideWord; children: ReactNode }) {
  return (
    <Explained word={word}>
      <span tabIndex={0} className="decoration-ink3 underline decoration-dotted underline-offset-3">
        {children}
      </span>
    </Explained>
  );
}

/** The same for what can have the focus already; without a word nothing is explained. */
export function Explained({
  word,
  shown = false,
  children,
}: {
  word: GuideWord | undefined;
  /** Whatever the pointer and the focus are at. */
  shown?: boolean;
  children: ReactElement;
}) {
  const [isOpen, open] = useState(false);
  if (!word) return children;
  return (
    <Tooltip.Provider delayDuration={300}>
      <Tooltip.Root open={isOpen || shown} onOpenChange={open}>
        <Tooltip.Trigger asChild data-guide={guideMark({ page: "glossary", part: word })}>
          {children}
        </Tooltip.Trigger>
        <Tooltip.Portal>
          <Tooltip.Content
            side="bottom"
            align="start"
            sideOffset={4}
            collisionPadding={8}
            className="border-line bg-surface text-ink z-[60] max-w-80 rounded-md border px-2.5 py-1.5 text-sm font-normal shadow-lg"
          >
            {wordText(word)} <span className="text-ink2">{say("guide.f1More")}</span>
          </Tooltip.Content>
        </Tooltip.Portal>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}
