"use client";

import { useMemo } from "react";
import { plural } from "@/core/messages/parts";
import type { DepotMod } from "@/core/model/depot";
import { formatSize } from "../kit/format-size";
import { Part } from "../kit/part";
import { useDepot } from "./depot.client";
import { GetFiles } from "./get-missing";
import type { DepotRow } from "./depot-rows";

/** What the depot says of a mod, and how to get it. */
export function DepotPage({
  row,
  rows,
  onChoose,
}: {
  row: DepotRow;
  rows: readonly DepotRow[];
  onChoose: (id: string) => void;
}) {
  const { newest, versions, here } = row;
  const { mod, about, issues, keys } = newest;
  const nameOf = (id: string) => rows.find((each) => each.id === id)?.newest.mod.name ?? id;
  const others = rows.filter((each) => each.newest.mod.author === mod.author && each.id !== row.id);
  return (
    <div className="space-y-4">
      <header>
        <h2 className="text-lg font-bold break-words">{mod.name}</h2>
        <p className="text-ink2">
          {[mod.version, mod.author && `by ${mod.author}`, formatSize(mod.size)].filter(Boolean).join(" · ")}
        </p>
        <p className="mt-1.5">{about}</p>
      </header>
      <GetIt newest={newest} row={row} />
      {here && (
        <p className="text-ink2">
          Version {here.version} is on the shelf{row.standing === "newer" && "; the depot has a newer one"}.
        </p>
      )}
      {mod.tags.length > 0 && <Part title="Kinds">{mod.tags.join(", ")}</Part>}
      {(mod.manifest?.requires?.length ?? 0) > 0 && (
        <Part title="Requires">
          <Links ids={mod.manifest!.requires!.map((each) => each.mod)} nameOf={nameOf} onChoose={onChoose} />
        </Part>
      )}
      {issues.length > 0 && (
        <Part title="Known issues">
          <ul className="list-disc pl-4">
            {issues.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </Part>
      )}
      {keys.length > 0 && (
        <Part title="Keys">
          {keys.map(({ key, does }) => (
            <p key={key}>
              <kbd className="border-line rounded border px-1.5 font-mono text-sm">{key}</kbd> {does}
            </p>
          ))}
        </Part>
      )}
      {versions.length > 1 && (
        <Part title="Other versions">
          <ul>
            {versions.slice(1).map((each) => (
              <Version key={each.mod.path} version={each} />
            ))}
          </ul>
        </Part>
      )}
      {others.length > 0 && (
        <Part title={`${plural(others.length, "other")} by ${mod.author}`}>
          <Links ids={others.slice(0, 12).map(({ id }) => id)} nameOf={nameOf} onChoose={onChoose} />
        </Part>
      )}
    </div>
  );
}

function GetIt({ newest, row }: { newest: DepotMod; row: DepotRow }) {
  const { offers } = useDepot();
  const offer = useMemo(() => {
    const { id, content } = newest.mod;
    return offers?.of([{ kind: "mod", id, content, versions: null }]) ?? null;
  }, [offers, newest]);
  const { terms } = newest;
  if (terms)
    return (
      <p className="bg-saffron-soft rounded-md px-3 py-2">
        {terms.kind === "paid" ? "It has to be paid for" : "It may not be passed on"}: {terms.where}. The
        depot has only this page; get it there, and drop the archive anywhere in this window.
      </p>
    );
  if (row.standing === "here" || !offer) return null;
  const { files, needs, byHand } = offer;
  const size = formatSize(files.reduce((sum, { mod }) => sum + mod.size, 0));
  return (
    <>
      <GetFiles look="main" files={files}>
        {needs > 0 ? `Get it and ${needs} that it needs, ${size}` : `Get it, ${size}`}
      </GetFiles>
      {byHand.length > 0 && (
        <p className="text-ink2 mt-1">
          To be got by hand besides: {byHand.map(({ mod }) => mod.name).join(", ")}.
        </p>
      )}
    </>
  );
}

function Version({ version }: { version: DepotMod }) {
  const { mod } = version;
  return (
    <li className="flex items-center gap-2 py-0.5">
      <span className="grow font-mono text-sm">{mod.version}</span>
      <span className="text-ink2 font-mono text-sm">{formatSize(mod.size)}</span>
      <GetFiles small files={[version]}>
        Get {mod.version}
      </GetFiles>
    </li>
  );
}

function Links({
  ids,
  nameOf,
  onChoose,
}: {
  ids: readonly string[];
  nameOf: (id: string) => string;
  onChoose: (id: string) => void;
}) {
  return (
    <ul className="flex flex-wrap gap-x-3 gap-y-0.5">
      {ids.map((id) => (
        <li key={id}>
          <button
            type="button"
            onClick={() => onChoose(id)}
            className="hover:text-pine min-h-6 text-left underline decoration-1 underline-offset-2"
          >
            {nameOf(id)}
          </button>
        </li>
      ))}
    </ul>
  );
}
