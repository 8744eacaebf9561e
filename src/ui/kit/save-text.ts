/** Gives the user a text as a file, as a download would. */
export function saveText(name: string, text: string, type = "text/plain"): void {
  const url = URL.createObjectURL(new Blob([text], { type: `${type};charset=utf-8` }));
  const link = document.createElement("a");
  link.href = url;
  link.download = name.replace(/[\\/:*?"<>|]+/g, "-");
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Saves what the server gives as a file at an address of its own. */
export const saveFrom = (address: string): void => window.location.assign(address);
