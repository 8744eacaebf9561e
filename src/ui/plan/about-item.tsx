"use client";

import { say } from "@/core/language/say";
import { versionText } from "@/core/version/version";
import type { ReactNode } from "react";
import { wantOfMod } from "@/core/depot/offers";
import { keyOfItem } from "@/core/needs/need-graph";
import { titleOf, type SeatedItem, type SeatedMod, type SeatedPlugin } from "@/core/roster/roster";
import { AdviceOfItem } from "../advice/advice-of-item";
import { GetMissing } from "../depot/get-missing";
import { healthOf } from "../health/health-address";
import { FindingLine } from "../findings/finding-line";
import { Term } from "../kit/term";
import { Part } from "../kit/part";
import { ItemName } from "../kit/sentence";
import { TextLink } from "../workspace/view-link";
import { useEditor } from "../workspace/workspace.client";
import { Counterparts, ModFacts } from "./counterparts";
import { FreeRange } from "./free-range";
import { ItemNote } from "./item-note";
import { NeededBy } from "../needs/needed-by";
import { PartsTaken } from "../parts/parts-taken";
import { VersionsOfMod } from "../versions/versions-of-mod";
import { Meetings } from "./meetings";
import { kindWords } from "./plan-columns";
import { WhyHere } from "./why-here";

/** What an item is, what is amiss with it, and what ties it to its seat. */
export function AboutItem({ item }: { item: SeatedItem }) {
  const findings = useEditor((state) => state.findings).filter(
    ({ subjects: [first] }) => first?.id === item.id && first.list === item.list,
  );
  const owner = item.list === "mods" ? item : item.mod;
  const gone = owner?.gone ? owner : null;
  const { mod } = item.list === "mods" ? item : (item.mod ?? { mod: null });
  return (
    <>
      <header>
        <h2 className="text-lg font-bold break-words">
          <span className="text-pine mr-2 font-mono">{item.seat}</span>
          <span className={item.list === "plugins" ? "font-mono" : ""}>{titleOf(item)}</span>
        </h2>
        <p className="text-ink2 mt-0.5">{item.list === "mods" ? modWords(item) : pluginWords(item)}</p>
        <Description item={item} />
        {gone && (
          <div className="mt-1.5">
            <GetMissing wants={[wantOfMod(gone)]} />
          </div>
        )}
      </header>
      {findings.map((finding, at) => (
        <div key={at} className="bg-sunk rounded-md p-2">
          <FindingLine finding={finding} />
        </div>
      ))}
      {findings.length > 0 && (
        <p className="text-sm">
          <TextLink href={healthOf(item.id)}>{say("plan.waysOutInHealth")}</TextLink>
        </p>
      )}
      <WhyHere item={item} />
      {!item.fixed && <FreeRange item={item} />}
      {!item.fixed && <ItemNote key={`${item.list} ${item.id}`} item={item} />}
      <AdviceOfItem key={`advice ${item.list} ${item.id}`} item={item} />
      {item.list === "plugins" ? <Masters plugin={item} /> : <Requirements mod={item} />}
      <NeededBy key={`needs ${item.list} ${item.id}`} of={keyOfItem(item)} />
      {item.list === "mods" && <VersionsOfMod key={`version ${item.id}`} item={item} />}
      {item.list === "mods" && <PartsTaken item={item} />}
      <Meetings item={item} />
      <Counterparts item={item} />
      {mod && <ModFacts key={mod.path} mod={mod} />}
    </>
  );
}

function Description({ item }: { item: SeatedItem }) {
  const text = item.list === "mods" ? item.mod?.summary : item.file?.header?.description;
  const isGuessed = item.list === "plugins" && item.file?.header?.guessedTexts;
  return (
    <>
      {text && <p className="mt-1.5">{text}</p>}
      {isGuessed && <p className="text-ink2 mt-1 text-sm">{say("plan.itsTextsAreNotUTF8")}</p>}
    </>
  );
}

function pluginWords(plugin: SeatedPlugin): string {
  const { fixed, mod, file } = plugin;
  const records = file?.header ? say("plan.records", { records: file.header.records }) : "";
  if (fixed) return say("plan.builtInTheGameLoadsIt", { records });
  if (!mod?.mod) return say("plan.itsModIsNotOnThe2");
  const by = mod.mod.author ? say("common.by", { author: mod.mod.author }) : "";
  return say("plan.from", {
    value: [mod.mod.name, versionText(mod.mod.version)].filter(Boolean).join(" "),
    by,
    kindWords: kindWords(plugin),
    records,
  });
}

function modWords({ mod }: SeatedMod): string {
  if (!mod) return say("common.notOnTheShelf2");
  const by = mod.author ? say("common.by", { author: mod.author }) : "";
  const brings = mod.plugins.length > 0 ? `, ${say("common.plugins3", { count: mod.plugins.length })}` : "";
  return `${versionText(mod.version) || say("plan.noVersion")}${by} · ${say("common.files", { files: mod.files })}${brings}`;
}

/** One thing that an item needs, and how it stands with it. */
function Need({ children, of }: { children: ReactNode; of: SeatedItem | undefined }) {
  const word = !of ? say("plan.missing") : of.fixed ? say("plan.builtIn") : onWord(of);
  const isAmiss = !of?.loads;
  return (
    <li className="flex gap-2">
      <span className="grow break-words">{children}</span>
      <span className={isAmiss ? "text-brick font-semibold" : "text-ink2"}>{word}</span>
    </li>
  );
}

function Masters({ plugin }: { plugin: SeatedPlugin }) {
  const { itemOf } = useEditor((state) => state.roster.lists.plugins);
  if (plugin.masters.length === 0) return null;
  return (
    <Part title={<Term word="master">{say("common.masters")}</Term>}>
      <ul className="space-y-1">
        {plugin.masters.map(({ name, id }) => {
          const master = id === null ? undefined : itemOf.get(id);
          return (
            <Need key={name} of={master}>
              {master ? <ItemName id={master.id} /> : <b>{name}</b>}
            </Need>
          );
        })}
      </ul>
    </Part>
  );
}

const onWord = ({ loads }: SeatedItem): string => (loads ? say("common.on") : say("common.off"));

function Requirements({ mod }: { mod: SeatedMod }) {
  const { itemOf } = useEditor((state) => state.roster.lists.mods);
  const requires = mod.mod?.manifest?.requires ?? [];
  if (requires.length === 0) return null;
  return (
    <Part title={say("common.requires")}>
      <ul className="space-y-1">
        {requires.map(({ mod: id, versions, reason }) => {
          const other = itemOf.get(id);
          return (
            <Need key={id} of={other}>
              {other ? <ItemName id={id} /> : <b>{id}</b>} {versions}
              {reason && <span className="text-ink2">: {reason}</span>}
            </Need>
          );
        })}
      </ul>
    </Part>
  );
}
