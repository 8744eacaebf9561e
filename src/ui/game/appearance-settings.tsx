"use client";

import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { say, spokenLanguage } from "@/core/language/say";
import { changedKeys } from "../frame/keys";
import { themeChosen } from "../frame/theme";
import { Button } from "../kit/button";
import { Labelled } from "../kit/field";
import type { Kept } from "../kit/kept";
import { dateForm } from "../kit/moment";
import { Select } from "../kit/select";
import { textSize } from "../kit/text-size";
import { readLanguages, switchLanguage } from "../language/spoken";
import { firstStepsShown } from "../workspace/first-steps-kept";
import { arrivalWay, binQuestion } from "../workspace/arrival-choices";
import { afterSwitch, trialStart } from "../workspace/launch-choices";
import { messagesSaid, messageTime } from "../workspace/message-choices";
import { useAnswer } from "../workspace/use-answer";
import { useWorkspace } from "../workspace/workspace.client";
import { KeptChoice } from "./kept-choice";

/** How Seating speaks and looks in this browser. */
export function AppearanceSettings() {
  return (
    <div className="max-w-2xl space-y-6">
      <LanguageChoice />
      <KeptChoice
        title={say("game.appearance.theme")}
        kept={themeChosen}
        choices={[
          ["system", say("game.appearance.themeOfSystem")],
          ["light", say("game.appearance.themeLight")],
          ["dark", say("game.appearance.themeDark")],
        ]}
      />
      <KeptChoice
        title={say("game.appearance.textSize")}
        kept={textSize}
        choices={[
          ["90", say("game.appearance.textSmall")],
          ["100", say("game.appearance.textUsual")],
          ["115", say("game.appearance.textLarge")],
          ["130", say("game.appearance.textLargest")],
        ]}
      />
      <KeptChoice
        title={say("game.appearance.dates")}
        kept={dateForm}
        choices={[
          ["absolute", say("game.appearance.datesAbsolute")],
          ["relative", say("game.appearance.datesRelative")],
        ]}
      />
      <BackToStandard />
    </div>
  );
}

/** The name of a language in that language. */
const nameOf = (tag: string): string => new Intl.DisplayNames(tag, { type: "language" }).of(tag) ?? tag;

const LanguageChoice = () => (
  <Labelled label={say("game.appearance.language")}>{({ id }) => <LanguageSelect id={id} />}</Labelled>
);

/** All that is shown is drawn anew in another language; whoever has chosen it is then where they were. */
let isJustChosen = false;

function LanguageSelect({ id }: { id: string }) {
  const { answer: tags } = useAnswer(readLanguages);
  const spoken = spokenLanguage().tag;
  const router = useRouter();
  useEffect(() => {
    if (isJustChosen) document.getElementById(id)?.focus();
    isJustChosen = false;
  }, [id]);
  const onChoose = async (tag: string) => {
    isJustChosen = true;
    await switchLanguage(tag);
    // The titles of views are the server's.
    router.refresh();
  };
  return (
    <Select
      id={id}
      className="w-64"
      value={spoken}
      options={(tags ?? [spoken]).map((tag) => ({ value: tag, words: nameOf(tag) }))}
      onChoose={(tag) => void onChoose(tag)}
    />
  );
}

const settings: readonly Pick<Kept<never>, "back">[] = [
  themeChosen,
  textSize,
  dateForm,
  trialStart,
  afterSwitch,
  arrivalWay,
  binQuestion,
  messageTime,
  messagesSaid,
  changedKeys,
  firstStepsShown,
];

/** All that is set in this browser, back to what it is at first. */
function BackToStandard() {
  const { tell } = useWorkspace();
  const reset = () => {
    const undo = settings.map((kept) => kept.back());
    tell([say("game.appearance.isStandard")], "plain", {
      word: say("common.undo"),
      run: () => undo.forEach((each) => each()),
    });
  };
  return (
    <section aria-labelledby="standard" className="space-y-2">
      <h2 id="standard" className="text-lg font-bold">
        {say("game.appearance.standard")}
      </h2>
      <p className="text-ink2">{say("game.appearance.standardHint")}</p>
      <Button onClick={reset}>{say("game.appearance.resetAll")}</Button>
    </section>
  );
}
