"use client";

import { say } from "@/core/language/say";
import { useState, type KeyboardEvent } from "react";
import { Button } from "../kit/button";
import { useKept } from "../kit/kept";
import { commands, type Command } from "./commands";
import { changedKeys, keyProblem, keysOf, keysPressed, keyWords, type KeyProblem } from "./keys";

/** Every command with its keys, which are changed by pressing others. */
export function KeysSettings() {
  const [changed, change] = useKept(changedKeys);
  const [asking, setAsking] = useState<string | null>(null);
  const set = (keys: Readonly<Record<string, string>>) => {
    change({ ...changed, ...keys });
    setAsking(null);
  };
  const isAnyChanged = Object.keys(changed).length > 0;
  return (
    <section aria-labelledby="keys" className="max-w-3xl space-y-2">
      <div className="flex items-center gap-3">
        <h2 id="keys" className="grow text-lg font-bold">
          {say("common.keys")}
        </h2>
        <Button disabled={!isAnyChanged} onClick={() => change({})}>
          {say("frame.resetAll")}
        </Button>
      </div>
      <p className="text-ink2">{say("frame.theyHoldInThisBrowserKeys")}</p>
      <ul className="border-line border-t">
        {commands.map((command) => (
          <li key={command.id} className="border-line min-h-9 border-b py-1">
            <div className="flex items-center gap-3">
              <span className="grow">{command.title}</span>
              <kbd className="text-ink2 font-mono text-sm">
                {keyWords(keysOf(command, changed) ?? say("common.none"))}
              </kbd>
              <Button
                small
                aria-expanded={asking === command.id}
                aria-label={say("frame.changeTheKeysOf", { title: command.title })}
                onClick={() => setAsking(asking === command.id ? null : command.id)}
              >
                {say("frame.change")}
              </Button>
            </div>
            {asking === command.id && (
              <Asking
                command={command}
                isChanged={changed[command.id] !== undefined}
                onKeys={(keys, from) => set({ ...(from ? { [from]: "" } : {}), [command.id]: keys })}
                onStandard={() => {
                  change(Object.fromEntries(Object.entries(changed).filter(([id]) => id !== command.id)));
                  setAsking(null);
                }}
                onClose={() => setAsking(null)}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Asking({
  command,
  isChanged,
  onKeys,
  onStandard,
  onClose,
}: {
  command: Command;
  isChanged: boolean;
  /** `from`: the command that had them and has none now. */
  onKeys: (keys: string, from: string | null) => void;
  onStandard: () => void;
  onClose: () => void;
}) {
  const [changed] = useKept(changedKeys);
  const [pressed, setPressed] = useState<string | null>(null);
  const problem = pressed === null ? null : keyProblem(pressed, command, commands, changed);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === "Tab") return;
    event.preventDefault();
    event.stopPropagation();
    if (event.key === "Escape") return onClose();
    const keys = keysPressed(event.nativeEvent);
    if (keys === null) return;
    setPressed(keys);
    if (!keyProblem(keys, command, commands, changed)) onKeys(keys, null);
  };
  return (
    <div className="bg-sunk my-1 flex flex-wrap items-center gap-2 rounded-md px-3 py-2">
      <input
        readOnly
        autoFocus
        aria-label={say("frame.newKeysOf", { title: command.title })}
        aria-describedby="key-problem"
        value={pressed === null ? "" : keyWords(pressed)}
        placeholder={say("frame.pressTheNewKeys")}
        onKeyDown={onKeyDown}
        className="border-line bg-surface h-8 w-44 rounded-md border px-2.5 font-mono"
      />
      <span id="key-problem" role="status" className="text-brick grow">
        {problem && pressed !== null && problemWords(problem, keyWords(pressed))}
      </span>
      {problem?.why === "used" && (
        <Button small onClick={() => onKeys(pressed!, problem.id)}>
          {say("frame.useThemHereInstead")}
        </Button>
      )}
      <Button small onClick={() => onKeys("", null)}>
        {say("frame.noKeys")}
      </Button>
      {isChanged && (
        <Button small onClick={onStandard}>
          {say("common.reset")}
        </Button>
      )}
    </div>
  );
}

function problemWords(problem: KeyProblem, keys: string): string {
  if (problem.why === "used") return say("frame.isInUse", { keys, by: problem.by });
  return problem.why === "taken"
    ? say("frame.belongsToListsTextFieldsOr", { keys })
    : say("frame.isTypedTakeCtrlOrAlt", { keys });
}
