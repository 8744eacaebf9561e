import { useRef, type ComponentProps, type ReactNode } from "react";
import { Button } from "./button";

/** Asks for a file of this machine. */
export function FileButton({
  of,
  accept,
  onFile,
  children,
  ...rest
}: Omit<ComponentProps<typeof Button>, "onClick"> & {
  /** What the file is, for its field. */
  of: string;
  accept?: string;
  onFile: (file: File) => void;
  children: ReactNode;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <input
        ref={input}
        type="file"
        hidden
        aria-label={of}
        accept={accept}
        onChange={({ target }) => {
          if (target.files?.[0]) onFile(target.files[0]);
          // The same file is one to choose again.
          target.value = "";
        }}
      />
      <Button {...rest} onClick={() => input.current?.click()}>
        {children}
      </Button>
    </>
  );
}
