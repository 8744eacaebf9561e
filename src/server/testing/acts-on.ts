import { orderFileGap } from "@/core/check/order-file";
import { label } from "@/core/edit/steps";
import type { Edit } from "@/core/model/edit";
import type { ProfileId } from "@/core/model/ids";
import type { Context } from "../context";
import { storeEdit } from "../operations/edit-profile";
import type { LayingOut } from "../operations/layout";
import { lookAtOrder, readOnDisk, writeOrder } from "../operations/order-file";
import { currentGame, readSituation } from "../operations/situation";
import { value } from "./demo-context";

/** What somebody does with the profile that is worked on: it is asked for at each act, for tests make it anew. */
export function actsOn(present: () => { readonly context: Context; readonly profile: ProfileId }) {
  const situation = async () => value(await readSituation(present().context, present().profile));
  const game = async () => value(await currentGame(present().context));
  const onDisk = async () => readOnDisk(present().context, await game());
  const gap = async () => orderFileGap((await situation()).roster, await onDisk());
  /** Writes over what lies there as it is now, whoever wrote it. */
  const write = async (laying: LayingOut = {}) => {
    const { context, profile } = present();
    return writeOrder(context, profile, value(await lookAtOrder(context, profile)).sha256, laying);
  };
  const edit = async (steps: Edit["steps"]) => {
    const { context, profile } = present();
    const { version } = (await situation()).profile;
    value(await storeEdit(context, profile, version, { label: label("launch", { name: "x" }), steps }));
  };
  const turnOff = (id: string) => edit([{ kind: "switch", list: "mods", ids: [id as never], on: false }]);
  return { situation, game, onDisk, gap, write, edit, turnOff };
}
