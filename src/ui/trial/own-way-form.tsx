import { useState } from "react";
import { say } from "@/core/language/say";
import { OwnWay } from "@/core/model/start";
import { Button } from "../kit/button";
import { Field, inputLook, Labelled } from "../kit/field";
import { saveOwnWay } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";

const nothing = { name: "", program: "", words: "" };

/** A program of one's own that starts the game, by its whole path. */
export function OwnWayForm({ taken, onSaved }: { taken: readonly string[]; onSaved: () => void }) {
  const { unwrap } = useWorkspace();
  const [typed, setTyped] = useState(nothing);
  const [isTried, setTried] = useState(false);
  const set = (more: Partial<typeof nothing>) => setTyped((now) => ({ ...now, ...more }));
  const isWhole = OwnWay.shape.program.safeParse(typed.program.trim()).success;
  const save = async () => {
    setTried(true);
    if (typed.name.trim() === "" || !isWhole) return;
    const words = typed.words.split("\n").filter(Boolean);
    const way: OwnWay = {
      id: freeId(taken),
      name: typed.name.trim(),
      starts: "profile",
      program: typed.program.trim(),
      ...(words.length > 0 && { arguments: words }),
    };
    const saved = await saveOwnWay(way);
    unwrap(saved);
    if (!saved.ok) return;
    setTyped(nothing);
    setTried(false);
    onSaved();
  };
  return (
    <form
      aria-label={say("trial.ownWay")}
      className="border-line bg-sunk space-y-2 rounded-md border p-3"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <h3 className="font-bold">{say("trial.ownWay")}</h3>
      <div className="grid grid-cols-[1fr_2fr] gap-3">
        <Field
          label={say("common.name")}
          value={typed.name}
          maxLength={120}
          error={isTried && typed.name.trim() === "" ? say("game.hasToBeFilledIn") : null}
          onChange={({ target }) => set({ name: target.value })}
        />
        <Field
          label={say("game.program")}
          hint={say("trial.wholePath")}
          value={typed.program}
          spellCheck={false}
          error={isTried && !isWhole ? say("trial.noWholePath") : null}
          onChange={({ target }) => set({ program: target.value })}
        />
      </div>
      <Labelled label={say("game.arguments")} hint={say("game.argumentsHint")}>
        {({ id, describedBy }) => (
          <textarea
            id={id}
            aria-describedby={describedBy}
            rows={3}
            spellCheck={false}
            value={typed.words}
            onChange={({ target }) => set({ words: target.value })}
            className={`${inputLook} !h-auto py-1.5 font-mono`}
          />
        )}
      </Labelled>
      <Button type="submit" small>
        {say("trial.addOwnWay")}
      </Button>
    </form>
  );
}

function freeId(taken: readonly string[]): string {
  for (let number = 1; ; number++) if (!taken.includes(`own-${number}`)) return `own-${number}`;
}
