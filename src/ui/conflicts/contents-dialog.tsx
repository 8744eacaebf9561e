"use client";

import { useState, type SyntheticEvent } from "react";
import { say } from "@/core/language/say";
import type { FileContents } from "@/core/model/file-contents";
import type { Roster } from "@/core/roster/roster";
import { Dialog } from "../kit/dialog";
import { formatSize } from "../kit/format-size";
import { TextDifference } from "../kit/text-difference";
import { useAnswer } from "../workspace/use-answer";
import { readFileContents } from "../workspace/server";
import { useWorkspace } from "../workspace/workspace.client";
import { Holder } from "./holder";

/** A path and the two that bring it. */
export interface Compared {
  readonly path: string;
  readonly items: readonly [string, string];
}

/** What two have at one path, side by side; it is read from both when it is asked for. */
export function ContentsDialog({ compared, onClose }: { compared: Compared | null; onClose: () => void }) {
  return (
    <Dialog
      open={compared !== null}
      onClose={onClose}
      title={compared?.path ?? ""}
      hint={say("conflicts.contentsHint")}
      size="large"
    >
      {compared && <Contents key={`${compared.path} ${compared.items.join(" ")}`} compared={compared} />}
    </Dialog>
  );
}

function Contents({ compared: { path, items } }: { compared: Compared }) {
  const { conflicts, editor, unwrap } = useWorkspace();
  const [question] = useState(() => async () => {
    const about = await conflicts.ask((jobs) => jobs.aboutKey("files", path));
    const { roster } = editor.getState();
    const places = items.map((id) => {
      const provider = about?.providers.find((each) => each.id === id);
      return {
        content: contentOf(roster, id),
        path,
        part: provider?.part ?? null,
        container: provider?.container ?? null,
      };
    });
    return Promise.all(places.map(async (place) => unwrap(await readFileContents(place))));
  });
  const { answer, fault } = useAnswer(question);
  if (fault !== null) return <p className="text-brick">{say("conflicts.cannotRead")}</p>;
  if (!answer) return <p className="text-ink2">{say("conflicts.reading")}</p>;
  const [one, other] = answer;
  if (!one || !other) return <p className="text-brick">{say("conflicts.cannotRead")}</p>;
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        {[one, other].map((each, at) => (
          <div key={at} className="min-w-0">
            <p className="break-words">
              <Holder id={items[at]!} />
            </p>
            <p className="text-ink2 text-sm">
              {formatSize(each.size)}, <span className="font-mono break-all">{each.sha256.slice(0, 16)}</span>
            </p>
          </div>
        ))}
      </div>
      <div className="mt-3">
        {one.sha256 === other.sha256 ? (
          <p>{say("conflicts.sameContents")}</p>
        ) : one.kind === "text" && other.kind === "text" ? (
          <TextDifference one={one.text} other={other.text} />
        ) : one.kind === "picture" && other.kind === "picture" ? (
          <Wipe one={one} other={other} />
        ) : (
          <FirstBytes files={[one, other]} />
        )}
      </div>
    </>
  );
}

/** Under which the server knows what an item brings; empty: the game itself. */
const contentOf = (roster: Roster, id: string): string => roster.modOf.get(id)?.mod?.content ?? "";

type Picture = Extract<FileContents, { kind: "picture" }>;

/** One picture over the other, as far as a slider says. */
function Wipe({ one, other }: { one: Picture; other: Picture }) {
  const [share, setShare] = useState(50);
  const [sizes, setSizes] = useState<readonly string[]>(["", ""]);
  const address = ({ type, base64 }: Picture) => `data:${type};base64,${base64}`;
  const measured = (at: number) => (event: SyntheticEvent<HTMLImageElement>) => {
    const { naturalWidth, naturalHeight } = event.currentTarget;
    setSizes((now) => now.map((size, each) => (each === at ? `${naturalWidth} × ${naturalHeight}` : size)));
  };
  return (
    <div>
      {/* eslint-disable @next/next/no-img-element -- pictures as data: there is nothing to optimise */}
      <div className="border-line bg-sunk relative grid max-h-[45vh] place-items-center overflow-auto border">
        <img
          src={address(one)}
          alt={say("conflicts.firstPicture")}
          onLoad={measured(0)}
          className="col-start-1 row-start-1 max-w-full"
        />
        <img
          src={address(other)}
          alt={say("conflicts.secondPicture")}
          onLoad={measured(1)}
          className="col-start-1 row-start-1 max-w-full"
          style={{ clipPath: `inset(0 0 0 ${share}%)` }}
        />
      </div>
      {/* eslint-enable @next/next/no-img-element */}
      <label className="mt-2 flex items-center gap-2">
        <span className="font-mono text-sm">{sizes[0]}</span>
        <input
          type="range"
          min={0}
          max={100}
          value={share}
          aria-label={say("conflicts.wipe")}
          onChange={(event) => setShare(Number(event.target.value))}
          className="accent-pine grow"
        />
        <span className="font-mono text-sm">{sizes[1]}</span>
      </label>
    </div>
  );
}

/** How both begin, where nothing better can be shown. */
const FirstBytes = ({ files }: { files: readonly FileContents[] }) => (
  <div className="grid grid-cols-2 gap-3">
    {files.map((file, at) => (
      <div key={at} className="min-w-0">
        <p className="text-ink2">{say("conflicts.firstBytes")}</p>
        <p className="bg-sunk rounded-md p-2 font-mono text-sm break-all">
          {file.kind === "bytes" && file.first !== ""
            ? file.first.replace(/(..)/g, "$1 ")
            : say(`conflicts.kindOf.${file.kind}`)}
        </p>
      </div>
    ))}
  </div>
);
