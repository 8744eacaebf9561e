import { say } from "@/core/language/say";
import { useEffect, useMemo, useRef, useState, type MouseEvent } from "react";
import { readGuidePlace, type GuidePlace } from "@/core/model/guide";
import type { GuidePage, GuidePart } from "@/formats/guide/page";
import { searchTexts } from "../kit/search-texts";
import { inputLook } from "../kit/field";
import { useGuide } from "./use-guide";

/** The guide: its tasks with a search beside them, and the one that is read. */
export function GuideReader({
  place,
  onGo,
  isPage = false,
}: {
  place: GuidePlace;
  onGo: (place: GuidePlace) => void;
  /** It is all that is shown, not a part of a view. */
  isPage?: boolean;
}) {
  const pages = useGuide();
  const [words, setWords] = useState("");
  if (pages === "failed") return <p className="text-brick p-3">{say("guide.couldNotBeRead")}</p>;
  if (!pages) return <p className="text-ink2 p-3">{say("common.reading")}</p>;
  const page = pages.find(({ id }) => id === place.page) ?? pages[0]!;
  return (
    <div className="flex min-h-0 grow max-sm:flex-col">
      <nav
        aria-label={say("guide.contents")}
        className="border-line flex w-60 shrink-0 flex-col overflow-auto border-r p-2 max-sm:max-h-40 max-sm:w-full max-sm:border-r-0 max-sm:border-b"
      >
        <input
          type="search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          placeholder={say("guide.search")}
          aria-label={say("guide.search")}
          className={`${inputLook} mb-2 shrink-0`}
        />
        {words.trim() === "" ? (
          <ul>
            {pages.map(({ id, title }) => (
              <Entry key={id} title={title} isHere={id === page.id} onClick={() => onGo({ page: id })} />
            ))}
          </ul>
        ) : (
          <Hits pages={pages} words={words} onGo={onGo} />
        )}
      </nav>
      <Article key={page.id} page={page} part={place.part} onGo={onGo} isPage={isPage} />
    </div>
  );
}

function Entry({
  title,
  below,
  isHere,
  onClick,
}: {
  title: string;
  below?: string;
  isHere?: boolean;
  onClick: () => void;
}) {
  return (
    <li>
      <button
        type="button"
        aria-current={isHere ? "page" : undefined}
        onClick={onClick}
        className={`w-full rounded-md px-2 py-1 text-left ${isHere ? "bg-pine-soft text-pine font-semibold" : "hover:bg-sunk"}`}
      >
        {title}
        {below && <span className="text-ink2 line-clamp-2 block text-sm">{below}</span>}
      </button>
    </li>
  );
}

/** Parts of all pages that have the words, the best first. */
function Hits({
  pages,
  words,
  onGo,
}: {
  pages: readonly GuidePage[];
  words: string;
  onGo: (place: GuidePlace) => void;
}) {
  const parts = useMemo(() => pages.flatMap((page) => page.parts.map((part) => ({ page, part }))), [pages]);
  const texts = useMemo(() => parts.map(({ part }) => `${part.title} ${part.text}`), [parts]);
  const found = searchTexts(texts, words) ?? [];
  if (found.length === 0)
    return (
      <p role="status" className="text-ink2 px-2">
        {say("guide.nothingFound", { words })}
      </p>
    );
  return (
    <ul aria-label={say("guide.found")}>
      {found.map((at) => {
        const { page, part } = parts[at]!;
        const place = part.id === "" ? { page: page.id } : { page: page.id, part: part.id };
        return (
          <Entry
            key={at}
            title={part.title}
            below={part.id === "" ? part.text : page.title}
            onClick={() => onGo(place)}
          />
        );
      })}
    </ul>
  );
}

function Article({
  page,
  part,
  onGo,
  isPage,
}: {
  page: GuidePage;
  part: string | undefined;
  onGo: (place: GuidePlace) => void;
  isPage: boolean;
}) {
  const [Title, PartTitle] = isPage ? (["h1", "h2"] as const) : (["h2", "h3"] as const);
  const article = useRef<HTMLElement>(null);
  useEffect(() => {
    const to = part === undefined ? null : document.getElementById(idOf(page, part));
    if (to) to.scrollIntoView();
    else article.current?.scrollTo({ top: 0 });
  }, [page, part]);
  const follow = (event: MouseEvent) => {
    const href = (event.target as Element).closest("a")?.getAttribute("href") ?? "";
    const place = readGuidePlace(href.replace(".md", ""));
    if (!place) return;
    event.preventDefault();
    onGo(place);
  };
  return (
    <article
      ref={article}
      tabIndex={0}
      aria-label={page.title}
      onClick={follow}
      className="guide min-h-0 min-w-0 grow overflow-auto px-5 py-3"
    >
      <div className="max-w-3xl">
        <Title className="text-lg font-bold">{page.title}</Title>
        {page.parts.map((each) => (
          <section key={each.id} id={idOf(page, each.id)} data-here={each.id === part || undefined}>
            {each.id !== "" && <PartTitle className="mt-3 font-bold">{each.title}</PartTitle>}
            <Written part={each} />
          </section>
        ))}
      </div>
    </article>
  );
}

const idOf = ({ id }: GuidePage, part: string): string => `guide-${id}-${part}`;

const Written = ({ part }: { part: GuidePart }) => <div dangerouslySetInnerHTML={{ __html: part.html }} />;
