"use client";

import { say } from "@/core/language/say";
import { rich } from "../kit/rich";
import { ArrowUp, Folder } from "lucide-react";
import { Toolbar } from "radix-ui";
import { useEffect, useRef, useState, type ComponentProps } from "react";
import { plainText } from "@/core/messages/parts";
import { sayRefusal } from "@/core/messages/refusals";
import type { FolderListing } from "@/server/operations/choose-folder";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { closeChooser, listFolders, openChooser } from "../workspace/server";

/** A button that opens the folders of this machine; their names are read only while it is open. */
export function FolderChooser({
  label,
  path,
  onChoose,
}: {
  label: string;
  /** Where it begins: what is typed already. */
  path: string;
  onChoose: (path: string) => void;
}) {
  const [isOpen, open] = useState(false);
  return (
    <>
      <Button aria-label={say("start.choose", { label })} onClick={() => open(true)}>
        {say("start.choose2")}
      </Button>
      <Dialog open={isOpen} onClose={() => open(false)} title={label} size="medium">
        <Folders
          from={path}
          onChoose={(chosen) => {
            onChoose(chosen);
            open(false);
          }}
          onClose={() => open(false)}
        />
      </Dialog>
    </>
  );
}

function Folders({
  from,
  onChoose,
  onClose,
}: {
  from: string;
  onChoose: (path: string) => void;
  onClose: () => void;
}) {
  const { listing, wrong, goTo } = useListing(from);
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), [listing?.path]);
  if (!listing) return <p role="status">{wrong ?? say("common.reading")}</p>;
  const { path, above, names, more, places } = listing;
  const below = (name: string) => `${path.replace(/[\\/]$/, "")}/${name}`;
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        {places.map((place) => (
          <Button key={place.path} small onClick={() => goTo(place.path)}>
            {place.name}
          </Button>
        ))}
      </div>
      <p role="status" className="font-mono text-sm break-all">
        {path}
      </p>
      <Toolbar.Root
        orientation="vertical"
        aria-label={say("start.foldersIn", { path })}
        className="border-line h-72 overflow-auto rounded-md border p-1"
      >
        {above && (
          <Row ref={first} onClick={() => goTo(above)}>
            {rich("start.theFolderAbove", {
              arrowUp: <ArrowUp size={14} aria-hidden className="text-ink2 shrink-0" />,
            })}
          </Row>
        )}
        {names.map((name) => (
          <Row key={name} onClick={() => goTo(below(name))}>
            <Folder size={14} aria-hidden className="text-ink2 shrink-0" />
            <span className="truncate">{name}</span>
          </Row>
        ))}
        {names.length === 0 && <p className="text-ink2 p-2">{say("start.noFolderLiesInIt")}</p>}
        {more > 0 && <p className="text-ink2 p-2">{say("start.andMoreTypeThePathInstead", { more })}</p>}
      </Toolbar.Root>
      {wrong && (
        <p role="alert" className="text-brick">
          {wrong}
        </p>
      )}
      <div className="flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" onClick={() => onChoose(path)}>
          {say("start.useThisFolder")}
        </Button>
      </div>
    </div>
  );
}

const Row = (props: ComponentProps<typeof Toolbar.Button>) => (
  <Toolbar.Button
    {...props}
    className="hover:bg-sunk focus:bg-pine-soft flex h-7 w-full items-center gap-2 rounded px-2 text-left"
  />
);

/** Opens a chooser of the server's for as long as it is shown, and what lies in the folder that was last gone to. */
function useListing(from: string) {
  const chooser = useRef<string | null>(null);
  const [listing, setListing] = useState<FolderListing | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const goTo = async (path: string) => {
    const outcome = chooser.current ? await listFolders(chooser.current, path) : null;
    if (!outcome) return;
    setWrong(outcome.ok ? null : plainText(sayRefusal(outcome.refusal)));
    if (outcome.ok) setListing(outcome.value);
  };
  const begin = useRef(() => goTo(from));
  useEffect(() => {
    let isShown = true;
    void openChooser().then((opened) => {
      if (!opened.ok) return setWrong(plainText(sayRefusal(opened.refusal)));
      if (!isShown) return void closeChooser(opened.value);
      chooser.current = opened.value;
      void begin.current();
    });
    return () => {
      isShown = false;
      if (chooser.current) void closeChooser(chooser.current);
      chooser.current = null;
    };
  }, []);
  return { listing, wrong, goTo: (path: string) => void goTo(path) };
}
