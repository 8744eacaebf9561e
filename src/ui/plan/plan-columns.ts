export type PlanColumn = "seat" | "number" | "switch" | "name" | "kind" | "origin" | "state";

/** How the columns of the plan lie, of its headings and of its rows alike; in a narrow list the last ones give way. */
export const columnLook: Readonly<Record<PlanColumn, string>> = {
  seat: "w-10 shrink-0",
  number: "w-14 shrink-0",
  switch: "mr-2 flex w-7 shrink-0",
  name: "flex max-w-[35rem] min-w-0 grow basis-64 items-center gap-1.5",
  kind: "hidden w-32 shrink-0 truncate @xl:block",
  origin: "hidden w-40 shrink truncate @3xl:block @6xl:w-72",
  state: "flex w-7 shrink-0 items-center gap-1.5 truncate pr-3 @2xl:w-36",
};
