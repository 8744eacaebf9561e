import type { Locator } from "@playwright/test";

/** Drops a file of this name onto what is shown there. */
export async function dropFile(target: Locator, name: string, contents: Uint8Array | string): Promise<void> {
  const bytes = [...Buffer.from(contents)];
  const dataTransfer = await target.page().evaluateHandle(
    (file) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([new Uint8Array(file.bytes)], file.name));
      return transfer;
    },
    { name, bytes },
  );
  await target.dispatchEvent("drop", { dataTransfer });
}
