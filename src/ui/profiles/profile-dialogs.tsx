"use client";

import { say } from "@/core/language/say";
import { useMemo, useState, type FormEvent, type ReactNode } from "react";
import { z } from "zod";
import { ProfileFacts } from "@/core/model/profile";
import type { ProfileListed } from "@/server/views/profile";
import type { StateSource } from "@/server/operations/profiles";
import { changeProfileFacts, createProfile } from "../workspace/server";
import { Button } from "../kit/button";
import { Dialog } from "../kit/dialog";
import { EarlierDraft } from "../kit/earlier-draft";
import { useDraft } from "../kit/use-draft";
import { useEditor, useWorkspace } from "../workspace/workspace.client";
import { FactsFields } from "./facts-fields";
import { keyOfSource, sourceOfKey, useSources } from "./sources";
import { SelectField } from "../kit/select";

interface Props {
  open: boolean;
  onClose: () => void;
}

export function NewProfileDialog(props: Props) {
  return (
    <Dialog
      {...props}
      title={say("profiles.newProfile")}
      hint={say("profiles.aSetOfModsWithAn")}
      guide={{ page: "several-profiles" }}
    >
      <NewProfileForm onClose={props.onClose} />
    </Dialog>
  );
}

const blankFacts: ProfileFacts = { name: "", purpose: "play" };
/** A name that is being typed need not be one yet. */
const Typed: z.ZodType<ProfileFacts> = z.object({ ...ProfileFacts.shape, name: z.string() });

function NewProfileForm({ onClose }: { onClose: () => void }) {
  const { editor, unwrap, workOn } = useWorkspace();
  const sources = useSources({ present: true });
  const [from, setFrom] = useState<StateSource | null>(null);
  const make = async (facts: ProfileFacts) => {
    await editor.settled();
    const made = unwrap(await createProfile({ facts, from }));
    if (made) await workOn(made.id);
    return made !== null;
  };
  return (
    <ProfileForm
      name="new"
      facts={blankFacts}
      word={say("common.createProfile")}
      onClose={onClose}
      onStore={make}
    >
      <SelectField
        label={say("common.startFrom")}
        value={from ? keyOfSource(from) : ""}
        options={[{ value: "", words: say("profiles.empty") }, ...sources]}
        onChoose={(key) => setFrom(sourceOfKey(key))}
      />
    </ProfileForm>
  );
}

export function ProfileFactsDialog({ open, onClose, profile }: Props & { profile: ProfileListed }) {
  return (
    <Dialog
      open={open}
      onClose={onClose}
      title={say("profiles.detailsOfTheProfile")}
      guide={{ page: "several-profiles" }}
    >
      <ProfileFactsForm onClose={onClose} profile={profile} />
    </Dialog>
  );
}

/** The same for the profile that is worked on. */
export function PresentFactsDialog(props: Props) {
  const id = useEditor((state) => state.profile.id);
  const profile = useEditor((state) => state.view.profiles).find((each) => each.id === id);
  return profile ? <ProfileFactsDialog {...props} profile={profile} /> : null;
}

function ProfileFactsForm({ onClose, profile }: { onClose: () => void; profile: ProfileListed }) {
  const { unwrap, refresh } = useWorkspace();
  const { name, purpose, hue, note } = profile;
  const store = async (facts: ProfileFacts) => {
    const outcome = await changeProfileFacts(profile.id, facts);
    unwrap(outcome);
    if (outcome.ok) refresh();
    return outcome.ok;
  };
  const facts = useMemo(
    (): ProfileFacts => ({ name, purpose, ...(hue === null ? {} : { hue }), ...(note ? { note } : {}) }),
    [name, purpose, hue, note],
  );
  return (
    <ProfileForm
      name={profile.id}
      facts={facts}
      word={say("common.save")}
      onClose={onClose}
      onStore={store}
    />
  );
}

/** The facts of a profile, and what else a dialog asks. */
function ProfileForm({
  name,
  facts: start,
  word,
  onClose,
  onStore,
  children,
}: {
  /** By which what is typed is kept. */
  name: string;
  facts: ProfileFacts;
  word: string;
  onClose: () => void;
  /** Answers whether it is stored. */
  onStore: (facts: ProfileFacts) => Promise<boolean>;
  children?: ReactNode;
}) {
  const {
    value: facts,
    setValue: setFacts,
    isEarlier,
    forget,
    discard,
  } = useDraft(`profile-${name}`, start, Typed);
  const close = () => {
    forget();
    onClose();
  };
  const submit = (event: FormEvent) => {
    event.preventDefault();
    void onStore(facts).then((isStored) => isStored && close());
  };
  return (
    <form onSubmit={submit} className="space-y-3">
      {isEarlier && <EarlierDraft onDiscard={discard} />}
      <FactsFields facts={facts} onChange={setFacts} />
      {children}
      <div className="flex justify-end gap-2 pt-1">
        <Button look="quiet" onClick={close}>
          {say("common.cancel")}
        </Button>
        <Button look="main" type="submit" disabled={!ProfileFacts.safeParse(facts).success}>
          {word}
        </Button>
      </div>
    </form>
  );
}
