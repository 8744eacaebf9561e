"use client";

import { say } from "@/core/language/say";
import type { Explored, Switched } from "@/core/needs/explore";
import { Button } from "../kit/button";
import { Part } from "../kit/part";
import { ItemName } from "../kit/sentence";
import { useWorkspace } from "../workspace/workspace.client";

const mostListed = 12;

/** What falls if it goes, or comes along if it comes, with what Health would then find. */
export function IfSwitched({ explored: { goes, comes } }: { explored: Explored }) {
  return (
    <>
      {goes && <Outcome title={say("needs.ifItGoes")} which="fall" switched={goes} look="plain" />}
      {comes && <Outcome title={say("needs.ifItComes")} which="along" switched={comes} look="main" />}
      {!goes && !comes && <p className="text-ink2">{say("needs.cannotSwitch")}</p>}
    </>
  );
}

interface Props {
  readonly title: string;
  readonly which: "fall" | "along";
  readonly switched: Switched;
  readonly look: "plain" | "main";
}

function Outcome({ title, which, switched, look }: Props) {
  const { editor } = useWorkspace();
  const { edit, mods, plugins, missing, clashes, way } = switched;
  const all = [...mods, ...plugins];
  return (
    <Part title={title}>
      <p>{say(`needs.${which}`, { mods: mods.length, plugins: plugins.length, count: all.length })}</p>
      {all.length > 0 && (
        <ul className="mt-1 space-y-1">
          {all.slice(0, mostListed).map((id) => (
            <li key={id} className="break-words">
              <ItemName id={id} />
            </li>
          ))}
          {all.length > mostListed && (
            <li className="text-ink3">{say("common.andMore", { count: all.length - mostListed })}</li>
          )}
        </ul>
      )}
      {missing.length > 0 && (
        <p className="text-brick mt-1">{say("needs.lacking", { names: missing.join(", ") })}</p>
      )}
      {clashes.map(([one, other]) => (
        <p key={`${one} ${other}`} className="text-brick mt-1">
          {say("needs.clash", { one, other })}
        </p>
      ))}
      {way && (
        <p className="text-ink2 mt-1">
          {say("health.goes", { count: way.goes.length })}
          {way.comes.length > 0 && ` ${say("health.comes", { count: way.comes.length })}`}
        </p>
      )}
      {edit && (
        <Button small look={look} className="mt-2" onClick={() => editor.dispatch(edit)}>
          {say(`needs.do.${which}`, { count: all.length })}
        </Button>
      )}
    </Part>
  );
}
