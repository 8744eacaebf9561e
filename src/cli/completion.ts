import { commands, failLevels, type CommandName } from "./usage";

export const shells = ["bash", "zsh", "fish"] as const;
export type Shell = (typeof shells)[number];

const common = ["--text", "--json", "--output", "--help"];
const names = [...Object.keys(commands), "serve", "demo", "completion", "help"];
const optionsOf = (name: CommandName): string[] => [
  ...commands[name].options.map((each) => `--${each}`),
  ...common,
];

/** A script that completes commands, options and levels in a shell; everything else is a file. */
export const completionFor = (shell: Shell): string => scripts[shell]();

const scripts: Readonly<Record<Shell, () => string>> = {
  bash: () => `_seating() {
  local word="\${COMP_WORDS[COMP_CWORD]}" before="\${COMP_WORDS[COMP_CWORD-1]}" words=""
  if [ "$COMP_CWORD" -eq 1 ]; then words="${names.join(" ")}"
  elif [ "$before" = "--fail-on" ]; then words="${failLevels.join(" ")}"
  elif [ "\${word#-}" != "$word" ]; then
    case "\${COMP_WORDS[1]}" in
${entries((name) => `      ${name}) words="${optionsOf(name).join(" ")}" ;;`)}
      completion) COMPREPLY=($(compgen -W "${shells.join(" ")}" -- "$word")); return ;;
    esac
  fi
  if [ -n "$words" ]; then COMPREPLY=($(compgen -W "$words" -- "$word"))
  else COMPREPLY=($(compgen -f -- "$word")); fi
}
complete -o filenames -F _seating seating
`,
  zsh: () => `#compdef seating
_seating() {
  if (( CURRENT == 2 )); then compadd ${names.join(" ")}; return; fi
  if [[ "$words[CURRENT-1]" == --fail-on ]]; then compadd ${failLevels.join(" ")}; return; fi
  if [[ "$PREFIX" == -* ]]; then
    case "$words[2]" in
${entries((name) => `      ${name}) compadd -- ${optionsOf(name).join(" ")} ;;`)}
    esac
    return
  fi
  _files
}
compdef _seating seating
`,
  fish: () =>
    [
      `complete -c seating -n __fish_use_subcommand -f -a "${names.join(" ")}"`,
      ...(Object.keys(commands) as CommandName[]).flatMap((name) =>
        optionsOf(name).map(
          (option) => `complete -c seating -n "__fish_seen_subcommand_from ${name}" -l ${option.slice(2)}`,
        ),
      ),
      `complete -c seating -n "__fish_seen_subcommand_from order findings" -l fail-on -x -a "${failLevels.join(" ")}"`,
      "",
    ].join("\n"),
};

const entries = (line: (name: CommandName) => string): string =>
  (Object.keys(commands) as CommandName[]).map(line).join("\n");
