"use client";

import { useState, type FormEvent, type ReactNode } from "react";
import type { ProfilePurpose } from "@/core/model/profile";
import { changeProfileFacts, createProfile } from "../workspace/server";
import { Button } from "../kit/button";
import { Choice } from "../kit/choice";
import { Dialog } from "../kit/dialog";
import { Field } from "../kit/field";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { purposeWords } from "./profile-menu";

interface Props {
  open: boolean;
  onClose: () => void;
}

export function NewProfileDialog(props: Props) {
  return (
    <Dialog
      {...props}
      title="New profile"
      hint="A set of mods with an order of its own. The present one stays as it is."
    >
      <NewProfileForm onClose={props.onClose} />
    </Dialog>
  );
}

function NewProfileForm({ onClose }: { onClose: () => void }) {
  const { editor, unwrap, refresh } = useWorkspace();
  const profile = useEditor((state) => state.profile);
  const [isCopy, setIsCopy] = useState(false);
  const make = async (name: string, purpose: ProfilePurpose) => {
    await editor.settled();
    const made = unwrap(await createProfile({ name, purpose, copyOf: isCopy ? profile.id : null }));
    if (!made) return;
    onClose();
    refresh();
  };
  return (
    <ProfileForm name="" purpose="play" word="Make it" onClose={onClose} onStore={make}>
      <fieldset className="flex gap-4">
        <legend className="text-ink2 mb-1 text-sm font-semibold">Begins</legend>
        <Choice name="begins" checked={!isCopy} onChoose={() => setIsCopy(false)}>
          empty
        </Choice>
        <Choice name="begins" checked={isCopy} onChoose={() => setIsCopy(true)}>
          as a copy of {profile.name}
        </Choice>
      </fieldset>
    </ProfileForm>
  );
}

export function ProfileFactsDialog(props: Props) {
  return (
    <Dialog {...props} title="Rename this profile">
      <ProfileFactsForm onClose={props.onClose} />
    </Dialog>
  );
}

function ProfileFactsForm({ onClose }: { onClose: () => void }) {
  const { unwrap, refresh } = useWorkspace();
  const profile = useEditor((state) => state.profile);
  const listed = useEditor((state) => state.view.profiles).find((each) => each.id === profile.id) ?? profile;
  const store = async (name: string, purpose: ProfilePurpose) => {
    const outcome = await changeProfileFacts(profile.id, name, purpose);
    unwrap(outcome);
    if (!outcome.ok) return;
    onClose();
    refresh();
  };
  return (
    <ProfileForm name={listed.name} purpose={listed.purpose} word="Store" onClose={onClose} onStore={store} />
  );
}

/** Name and purpose, and what else a dialog asks. */
function ProfileForm({
  word,
  onClose,
  onStore,
  children,
  ...start
}: {
  name: string;
  purpose: ProfilePurpose;
  word: string;
  onClose: () => void;
  onStore: (name: string, purpose: ProfilePurpose) => Promise<void>;
  children?: ReactNode;
}) {
  const [name, setName] = useState(start.name);
  const [purpose, setPurpose] = useState(start.purpose);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void onStore(name, purpose);
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      <Field
        label="Name"
        value={name}
        onChange={(event) => setName(event.target.value)}
        autoFocus
        maxLength={80}
      />
      <Purpose value={purpose} onChange={setPurpose} />
      {children}
      <Actions onClose={onClose} word={word} disabled={name.trim() === ""} />
    </form>
  );
}

function Purpose({
  value,
  onChange,
}: {
  value: ProfilePurpose;
  onChange: (purpose: ProfilePurpose) => void;
}) {
  return (
    <fieldset className="flex gap-4">
      <legend className="text-ink2 mb-1 text-sm font-semibold">Purpose</legend>
      {(Object.keys(purposeWords) as ProfilePurpose[]).map((purpose) => (
        <Choice key={purpose} name="purpose" checked={value === purpose} onChoose={() => onChange(purpose)}>
          {purposeWords[purpose]}
        </Choice>
      ))}
    </fieldset>
  );
}

function Actions({ onClose, word, disabled }: { onClose: () => void; word: string; disabled: boolean }) {
  return (
    <div className="flex justify-end gap-2 pt-1">
      <Button look="quiet" onClick={onClose}>
        Leave it
      </Button>
      <Button look="main" type="submit" disabled={disabled}>
        {word}
      </Button>
    </div>
  );
}
