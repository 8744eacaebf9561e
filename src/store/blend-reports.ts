import { BlendReport } from "@/core/model/blend-report";
import type { ProfileId } from "@/core/model/ids";
import type { Sql, Tx } from "./sql";

/** How many reports of a profile are kept. */
const most = 20;

export async function addReport(tx: Tx, profileId: ProfileId, report: BlendReport): Promise<void> {
  const [{ number }] = (await tx.query<{ number: number }>(
    `insert into blend_report (profile_id, number, report)
     select $1, coalesce(max(number), 0) + 1, $2::jsonb from blend_report where profile_id = $1
     returning number`,
    [profileId, JSON.stringify(report)],
  )) as [{ number: number }];
  await tx.query("delete from blend_report where profile_id = $1 and number <= $2", [
    profileId,
    number - most,
  ]);
}

/** The newest first. */
export async function listReports(db: Sql, profileId: ProfileId): Promise<BlendReport[]> {
  const rows = await db.query<{ report: unknown }>(
    "select report from blend_report where profile_id = $1 order by number desc",
    [profileId],
  );
  return rows.map(({ report }) => BlendReport.parse(report));
}
