"use client";

import { Check, ChevronDown } from "lucide-react";
import { Select as Primitive } from "radix-ui";
import type { ReactNode } from "react";
import { Labelled, type LabelledProps } from "./field";
import { menuItemLook, menuLook } from "./menu-look";

export interface SelectOption {
  readonly value: string;
  readonly words: string;
  readonly disabled?: boolean;
}

export interface SelectGroup {
  readonly title: string;
  readonly options: readonly SelectOption[];
}

interface Props {
  readonly id?: string;
  /** Its name, where no label stands beside it. */
  readonly label?: string;
  readonly describedBy?: string | undefined;
  readonly value: string;
  readonly options: readonly (SelectOption | SelectGroup)[];
  readonly onChoose: (value: string) => void;
  /** In a cell of a grid, which is one stop of the tab key. */
  readonly tabIndex?: number;
  readonly small?: boolean;
  readonly className?: string;
}

// The package keeps the empty value for itself.
const keyOf = (value: string): string => `=${value}`;

const isGroup = (each: SelectOption | SelectGroup): each is SelectGroup => "title" in each;

/** One of several, which all of Seating chooses from in this way. */
export function Select(props: Props) {
  const {
    id,
    label,
    describedBy,
    value,
    options,
    onChoose,
    tabIndex,
    small = false,
    className = "w-full",
  } = props;
  const all = options.flatMap((each) => (isGroup(each) ? each.options : [each]));
  const chosen = all.find((each) => each.value === value);
  return (
    <Primitive.Root value={keyOf(value)} onValueChange={(key) => onChoose(key.slice(1))}>
      <Primitive.Trigger
        id={id}
        aria-label={label}
        aria-describedby={describedBy}
        tabIndex={tabIndex}
        data-value={value}
        className={`border-line bg-surface text-ink inline-flex min-w-0 items-center justify-between gap-1.5 rounded-md border text-left ${small ? "h-6 px-1.5 text-sm" : "h-8 px-2.5 text-base"} ${className}`}
      >
        <span className="min-w-0 truncate">
          <Primitive.Value>{chosen?.words ?? value}</Primitive.Value>
        </span>
        <ChevronDown size={14} aria-hidden className="text-ink2 shrink-0" />
      </Primitive.Trigger>
      <Primitive.Portal>
        <Primitive.Content
          position="popper"
          sideOffset={2}
          collisionPadding={8}
          className={`${menuLook} max-h-[min(24rem,var(--radix-select-content-available-height))] max-w-[min(36rem,96vw)] min-w-[var(--radix-select-trigger-width)] overflow-auto`}
        >
          <Primitive.Viewport>
            {options.map((each) =>
              isGroup(each) ? (
                <Primitive.Group key={each.title}>
                  <Primitive.Label className="text-ink2 px-2 py-1 text-sm font-semibold">
                    {each.title}
                  </Primitive.Label>
                  {each.options.map(item)}
                </Primitive.Group>
              ) : (
                item(each)
              ),
            )}
          </Primitive.Viewport>
        </Primitive.Content>
      </Primitive.Portal>
    </Primitive.Root>
  );
}

const item = ({ value, words, disabled = false }: SelectOption): ReactNode => (
  <Primitive.Item key={value} value={keyOf(value)} disabled={disabled} className={menuItemLook}>
    <span className="flex w-4 shrink-0">
      <Primitive.ItemIndicator>
        <Check size={14} aria-hidden />
      </Primitive.ItemIndicator>
    </span>
    <Primitive.ItemText>{words}</Primitive.ItemText>
  </Primitive.Item>
);

/** One of several under its label. */
export function SelectField({
  label,
  hint,
  error,
  beside,
  className,
  ...rest
}: Omit<Props, "id" | "label"> & LabelledProps) {
  return (
    <Labelled label={label} hint={hint} error={error} beside={beside}>
      {(ties) => (
        <Select {...rest} {...(className ? { className } : {})} id={ties.id} describedBy={ties.describedBy} />
      )}
    </Labelled>
  );
}
