"use client";

import { say } from "@/core/language/say";
import { Component, type ReactNode } from "react";
import { Button } from "./button";

/** What is told where a part of the screen could not be drawn. */
export function FaultNote({
  what,
  error,
  onAgain,
}: {
  what: string;
  error: Error & { digest?: string };
  onAgain: () => void;
}) {
  const details = [what, error.message, error.digest, error.stack].filter(Boolean).join("\n");
  return (
    <div role="alert" className="text-ink space-y-2 p-5">
      <h2 className="text-lg font-bold">{say("kit.couldNotBeShown", { what })}</h2>
      <p className="text-ink2 max-w-prose">
        {say("kit.aFaultOfSeatingNotOf")}
        {say("kit.whatIsStoredIsAsIt", {
          replace: (error.message || say("kit.itSaysNothingOfItself")).replace(/\.$/, ""),
        })}
      </p>
      <div className="flex gap-2">
        <Button onClick={onAgain}>{say("kit.tryAgain")}</Button>
        <Button look="quiet" onClick={() => void navigator.clipboard.writeText(details)}>
          {say("kit.copyTheDetails")}
        </Button>
      </div>
    </div>
  );
}

interface FloorProps {
  /** What it holds, as it is called at the start of a sentence. */
  readonly what: string;
  readonly children: ReactNode;
}

/** A fault in what is inside is told in its place, and takes nothing else with it. */
export class Floor extends Component<FloorProps, { error: Error | null }> {
  override state = { error: null as Error | null };

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error(String(error)) };
  }

  override render() {
    const { error } = this.state;
    if (!error) return this.props.children;
    return <FaultNote what={this.props.what} error={error} onAgain={() => this.setState({ error: null })} />;
  }
}
