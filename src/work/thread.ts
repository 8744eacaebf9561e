/** Only ever rejects: the thread could not be loaded, or has broken down. */
export function failureOf(thread: Worker): Promise<never> {
  const failed = new Promise<never>((_, reject) => {
    const fail = ({ message }: Partial<ErrorEvent>) => reject(new Error(message || "its worker broke down"));
    thread.addEventListener("error", fail);
    thread.addEventListener("messageerror", () => fail({}));
  });
  failed.catch(() => undefined);
  return failed;
}
