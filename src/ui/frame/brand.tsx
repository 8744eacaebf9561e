import { say } from "@/core/language/say";
/** What the application is called, with its mark. */
export const Brand = () => (
  <span className="flex items-center gap-2.5 text-lg font-bold md:w-36">
    <Mark />
    <span className="max-md:sr-only">{say("common.seating")}</span>
  </span>
);

/** Nine seats, one of them taken. */
function Mark() {
  const places = [0, 1, 2].flatMap((row) => [0, 1, 2].map((column) => ({ row, column })));
  return (
    <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden>
      {places.map(({ row, column }) => {
        const taken = row === 1 && column === 1;
        const beside = row === 2 && column === 0;
        return (
          <rect
            key={`${row}${column}`}
            x={1 + column * 6.5}
            y={1 + row * 6.5}
            width="5"
            height="5"
            rx="1"
            fill={taken ? "var(--pine)" : beside ? "var(--ink)" : "var(--line)"}
          />
        );
      })}
    </svg>
  );
}
