"use client";

import { say } from "@/core/language/say";
import { useEffect, useState } from "react";
import { termWords } from "@/core/messages/roles";
import type { Lineup } from "@/core/model/lineup";
import { readCuratorsWords } from "../../workspace/server";
import { useEditor, useWorkspace } from "../../workspace/workspace.client";

/** All that the curator of the list says of it, to be read at any time: what to expect, read-me, keys, pictures, conditions, what is open. */
export function CuratorSays({ lineup }: { lineup: Lineup }) {
  const source = useCuratorsWords(lineup);
  const terms = lineup.mods.filter((mod) => mod.terms);
  if (source === "" && terms.length === 0) return null;
  return (
    <details className="border-line rounded-md border px-3 py-2">
      <summary className="cursor-pointer font-bold">{say("lineups.whatItsCuratorSays")}</summary>
      <div
        className="mt-2 space-y-3 [&_a]:text-pine [&_a]:underline [&_h1]:text-lg [&_h1]:font-bold [&_h2]:font-bold [&_h3]:font-semibold [&_img]:max-h-64 [&_img]:rounded-md [&_kbd]:font-mono [&_li]:ml-5 [&_li]:list-disc [&_p]:mt-1"
        dangerouslySetInnerHTML={{ __html: source }}
      />
      {terms.length > 0 && (
        <section className="mt-3" aria-labelledby="terms">
          <h2 id="terms" className="font-bold">
            {say("lineups.conditions")}
          </h2>
          <ul className="list-disc pl-5">
            {terms.map(({ id, name, terms: each }) => (
              <li key={id}>
                {name}: {termWords[each!.kind]}, {each!.where}
              </li>
            ))}
          </ul>
        </section>
      )}
    </details>
  );
}

/** Read by itself: pictures and a read-me are too large to come with every page. */
function useCuratorsWords(lineup: Lineup): string {
  const { unwrap } = useWorkspace();
  const profile = useEditor((state) => state.profile.id);
  const [source, setSource] = useState("");
  useEffect(() => {
    let wanted = true;
    void readCuratorsWords(profile).then((outcome) => {
      const words = unwrap(outcome);
      if (wanted && words !== null) setSource(words.trim());
    });
    return () => {
      wanted = false;
    };
  }, [profile, lineup, unwrap]);
  return source;
}
