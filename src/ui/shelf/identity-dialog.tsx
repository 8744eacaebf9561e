"use client";

import { say } from "@/core/language/say";
import { ModId } from "@/core/model/ids";
import { useState, type FormEvent } from "react";
import { SelectField } from "../kit/select";
import { idsApart } from "@/core/roster/identity";
import type { ShelfMod } from "@/core/model/shelf";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { identify } from "../workspace/server";
import { useEditor, useWorkspace } from "../workspace/workspace.client";

interface Props {
  open: boolean;
  onClose: () => void;
  mod: ShelfMod;
}

/** What an entry without a manifest is called, and of which mod it is a version. */
export function IdentityDialog(props: Props) {
  return (
    <Dialog
      open={props.open}
      onClose={props.onClose}
      title={say("shelf.whatIs", { path: props.mod.path })}
      hint={say("shelf.itHasNoManifestSoOnly")}
    >
      {props.open && <IdentityForm {...props} />}
    </Dialog>
  );
}

const itsOwn = "";

function IdentityForm({ mod, onClose }: Props) {
  const { shelf } = useEditor((state) => state.view.stock);
  const { unwrap, refresh } = useWorkspace();
  const others = [
    ...new Map(
      shelf.filter((each) => !each.problem && each.path !== mod.path).map((each) => [each.id, each.name]),
    ),
  ].sort(([, a], [, b]) => (a < b ? -1 : 1));
  const isShared = others.some(([id]) => id === mod.id);
  const [name, setName] = useState(mod.name);
  const [of, setOf] = useState<string>(isShared ? mod.id : itsOwn);
  const idFor = () => {
    if (of !== itsOwn) return ModId.parse(of);
    if (!isShared) return mod.id;
    const taken = new Set(shelf.map(({ id }) => id));
    return idsApart({ id: mod.id, mods: [mod, mod] }, taken)[1]!;
  };
  const save = async (event: FormEvent) => {
    event.preventDefault();
    const outcome = await identify([{ path: mod.path, id: idFor(), name: name.trim() }]);
    unwrap(outcome);
    if (!outcome.ok) return;
    onClose();
    refresh();
  };
  return (
    <form onSubmit={(event) => void save(event)} className="space-y-3">
      <Field
        label={say("common.name")}
        value={name}
        maxLength={300}
        onChange={(event) => setName(event.target.value)}
      />
      <SelectField
        label={say("shelf.versionOf")}
        value={of}
        options={[
          { value: itsOwn, words: say("shelf.aModOfItsOwn") },
          ...others.map(([id, title]) => ({ value: id, words: title })),
        ]}
        onChoose={setOf}
      />
      <div className="flex justify-end gap-2">
        <Button look="quiet" type="button" onClick={onClose}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={name.trim() === ""}>
          {say("common.save")}
        </Button>
      </div>
    </form>
  );
}
