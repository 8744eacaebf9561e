import Link from "next/link";
import type { ComponentProps } from "react";
import { pushWithin } from "./address";

/** A link to a view, or to a part of one; it goes as `useGo` does. */
export function ViewLink({ href, ...rest }: ComponentProps<typeof Link> & { readonly href: string }) {
  return (
    <Link
      {...rest}
      href={href}
      onNavigate={(event) => {
        if (pushWithin(href)) event.preventDefault();
      }}
    />
  );
}

/** The same where it is a few words among others, or the first thing to do. */
export const TextLink = (props: Omit<ComponentProps<typeof ViewLink>, "className">) => (
  <ViewLink {...props} className="text-pine font-semibold underline" />
);
