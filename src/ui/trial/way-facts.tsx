import { say } from "@/core/language/say";
import type { OfferedWay } from "@/core/model/start";

/** What a way runs, as it stands. */
export function WayFacts({ way }: { way: OfferedWay }) {
  const rows: readonly (readonly [string, readonly string[]])[] = [
    [say("game.program"), [way.program]],
    [say("game.arguments"), way.arguments],
    [say("game.worksIn"), [way.folder]],
    [say("game.environment"), way.environment.map(({ name, value }) => `${name}=${value}`)],
  ];
  return (
    <dl className="grid grid-cols-[max-content_1fr] gap-x-4 gap-y-1 text-sm">
      {rows
        .filter(([, lines]) => lines.length > 0)
        .map(([title, lines]) => (
          <div key={title} className="contents">
            <dt className="text-ink2 font-semibold">{title}</dt>
            <dd className="min-w-0">
              {lines.map((line, at) => (
                <code key={at} className="block font-mono break-all whitespace-pre-wrap">
                  {line}
                </code>
              ))}
            </dd>
          </div>
        ))}
    </dl>
  );
}
