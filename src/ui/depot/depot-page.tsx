"use client";

import { say } from "@/core/language/say";
import { useMemo } from "react";
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
          {[mod.version, mod.author && say("common.by2", { author: mod.author }), formatSize(mod.size)]
            .filter(Boolean)
            .join(" · ")}
        </p>
        <p className="mt-1.5">{about}</p>
      </header>
      <GetIt newest={newest} row={row} />
      {here && (
        <p className="text-ink2">
          {say("depot.versionIsOnTheShelf", {
            version: here.version,
            rest: row.standing === "newer" && say("depot.theDepotHasANewerOne"),
          })}
        </p>
      )}
      {mod.tags.length > 0 && <Part title={say("depot.kinds")}>{mod.tags.join(", ")}</Part>}
      {(mod.manifest?.requires?.length ?? 0) > 0 && (
        <Part title={say("common.requires")}>
          <Links ids={mod.manifest!.requires!.map((each) => each.mod)} nameOf={nameOf} onChoose={onChoose} />
        </Part>
      )}
      {issues.length > 0 && (
        <Part title={say("depot.knownIssues")}>
          <ul className="list-disc pl-4">
            {issues.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
        </Part>
      )}
      {keys.length > 0 && (
        <Part title={say("common.keys")}>
          {keys.map(({ key, does }) => (
            <p key={key}>
              <kbd className="border-line rounded border px-1.5 font-mono text-sm">{key}</kbd> {does}
            </p>
          ))}
        </Part>
      )}
      {versions.length > 1 && (
        <Part title={say("depot.otherVersions")}>
          <ul>
            {versions.slice(1).map((each) => (
              <Version key={each.mod.path} version={each} />
            ))}
          </ul>
        </Part>
      )}
      {others.length > 0 && (
        <Part title={say("depot.othersBy", { count: others.length, author: mod.author })}>
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
        {say("depot.theDepotHasOnlyThisPage", { kind: terms.kind, where: terms.where })}
      </p>
    );
  if (row.standing === "here" || !offer) return null;
  const { files, needs, byHand } = offer;
  const size = formatSize(files.reduce((sum, { mod }) => sum + mod.size, 0));
  return (
    <>
      <GetFiles look="main" files={files}>
        {needs > 0 ? say("depot.getItAndThatItNeeds", { needs, size }) : say("depot.getIt2", { size })}
      </GetFiles>
      {byHand.length > 0 && (
        <p className="text-ink2 mt-1">
          {say("depot.toBeGotByHandBesides2", { byHand: byHand.map(({ mod }) => mod.name).join(", ") })}
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
        {say("depot.get", { version: mod.version })}
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
