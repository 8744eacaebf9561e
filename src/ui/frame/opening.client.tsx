"use client";

import { say } from "@/core/language/say";
import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState, type ReactNode } from "react";
import type { ProfileId } from "@/core/model/ids";
import type { StartView } from "@/server/views/workspace";
import { FaultNote } from "../kit/floor";
import { useSpoken } from "../language/spoken";
import { StartScreen } from "../start/start-screen.client";
import { readWorkspace, type ShownView } from "../workspace/read-workspace";
import { FrameScreen } from "./frame.client";
import { Brand } from "./brand";

interface OpeningProps {
  /** Null: the one that was last chosen. */
  readonly profile: ProfileId | null;
  readonly token: string;
  readonly children: ReactNode;
}

/** Reads what the window shows, beside the page, so that no page grows with the shelf; then a view in its frame, or the start. */
export function Opening({ profile, token, children }: OpeningProps) {
  const router = useRouter();
  const language = useSpoken();
  const [shown, setShown] = useState<ShownView | StartView | null>(null);
  const [fault, setFault] = useState<Error | null>(null);
  const open = useCallback(
    (id: ProfileId | null) =>
      readWorkspace(id, token, null).then(setShown, (error: unknown) =>
        setFault(error instanceof Error ? error : new Error(String(error))),
      ),
    [token],
  );
  useEffect(() => void open(profile), [open, profile]);
  const again = () => {
    setFault(null);
    void open(profile);
  };
  if (fault) return <FaultNote what={say("frame.yourProfile")} error={fault} onAgain={again} />;
  if (!shown) return <EmptyFrame />;
  if ("stock" in shown) return <FrameScreen view={shown}>{children}</FrameScreen>;
  const begin = () => {
    router.push("/overview");
    void open(null);
  };
  return <StartScreen key={language} games={shown.games} onAdded={begin} />;
}

/** The frame in its places, while what it holds is read. */
const EmptyFrame = () => (
  <div className="grid h-screen grid-rows-[3rem_minmax(0,1fr)_1.875rem]" aria-busy>
    <header className="border-line bg-surface flex items-center border-b px-3">
      <Brand />
    </header>
    <main className="bg-surface text-ink3 grid place-items-center">
      <p role="status">{say("frame.openingSeating")}</p>
    </main>
    <footer className="border-line bg-surface border-t" />
  </div>
);
