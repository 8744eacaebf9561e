import { say } from "@/core/language/say";
import { Check } from "lucide-react";
import { ContextMenu as Menu } from "radix-ui";
import type { ReactNode } from "react";
import { menuItemLook, menuLook } from "../menu-look";
import { moved, widened, type Chosen, type GridColumn } from "./columns";
import { isPossible, type GridCommand } from "./commands";
import { isSortable } from "./sort";

/** Of what the menu was opened: of the rows that are selected, or of a heading. */
export type MenuOf = { readonly of: "rows" } | { readonly of: "column"; readonly id: string };

interface OfRows<Row> {
  readonly commands: readonly GridCommand<Row>[];
  readonly rows: readonly Row[];
}

interface OfColumns<Cells> extends Chosen {
  readonly columns: readonly GridColumn<Cells>[];
  readonly shown: readonly GridColumn<Cells>[];
}

interface Props<Row, Cells> extends OfRows<Row>, OfColumns<Cells> {
  readonly menu: MenuOf;
  /** Gives the focus back. */
  readonly onClosed: () => void;
}

/** The one menu of a grid: what can be done with the selected rows, or with a column. */
export function GridMenu<Row, Cells>(props: Props<Row, Cells>) {
  const { menu, commands, rows, onClosed } = props;
  return (
    <ListMenu onClosed={onClosed}>
      {menu.of === "column" ? (
        <ColumnItems {...props} id={menu.id} />
      ) : (
        <RowItems commands={commands} rows={rows} />
      )}
    </ListMenu>
  );
}

/** What opens beside the pointer or the row; `onClosed` gives the focus back. */
function ListMenu({ onClosed, children }: { onClosed: () => void; children: ReactNode }) {
  return (
    <Menu.Portal>
      <Menu.Content
        collisionPadding={8}
        className={`${menuLook} min-w-56`}
        onCloseAutoFocus={(event) => {
          event.preventDefault();
          onClosed();
        }}
      >
        {children}
      </Menu.Content>
    </Menu.Portal>
  );
}

function RowItems<Row>({ commands, rows }: OfRows<Row>) {
  return (
    <>
      <Menu.Label className="text-ink3 px-2 py-1 text-sm">
        {rows.length === 1 ? say("kit.withThisOne") : say("kit.withThese", { count: rows.length })}
      </Menu.Label>
      {commands.map((command) => (
        <Menu.Item
          key={command.id}
          className={menuItemLook}
          disabled={!isPossible(command, rows)}
          onSelect={() => command.run(rows)}
        >
          <span className="grow">{command.title(rows)}</span>
          {command.keys && <kbd className="text-ink2 pl-4 font-mono text-sm">{command.keys[0]}</kbd>}
        </Menu.Item>
      ))}
    </>
  );
}

const step = 16;

function ColumnItems<Cells>({
  id,
  columns,
  shown,
  layout,
  onLayout,
  sort,
  onSort,
}: OfColumns<Cells> & { id: string }) {
  const column = shown.find((each) => each.id === id);
  if (!column) return null;
  const others = columns.filter(({ isFixed }) => !isFixed);
  const isShown = (each: string) => layout.some((one) => one.id === each);
  const items: readonly (readonly [string, boolean, () => void])[] = [
    [say("kit.sortUpwards"), isSortable(column), () => onSort(id)],
    [say("kit.sortDownwards"), isSortable(column), () => onSort(`-${id}`)],
    [say("kit.notSorted"), sort !== "", () => onSort("")],
    [say("kit.furtherLeft"), !column.isFixed, () => onLayout(moved(layout, id, -1))],
    [say("kit.furtherRight"), !column.isFixed, () => onLayout(moved(layout, id, 1))],
    [say("kit.wider"), !column.isFixed, () => onLayout(widened(layout, id, step))],
    [say("kit.narrower"), !column.isFixed, () => onLayout(widened(layout, id, -step))],
    [say("kit.hideThisColumn"), !column.isFixed, () => onLayout(layout.filter((each) => each.id !== id))],
  ];
  return (
    <>
      <Menu.Label className="text-ink3 px-2 py-1 text-sm">{column.label}</Menu.Label>
      {items.map(([words, isPossible, run]) => (
        <Menu.Item key={words} className={menuItemLook} disabled={!isPossible} onSelect={run}>
          {words}
        </Menu.Item>
      ))}
      <Menu.Separator className="bg-line my-1 h-px" />
      {others.map((each) => (
        <Menu.CheckboxItem
          key={each.id}
          className={menuItemLook}
          checked={isShown(each.id)}
          onCheckedChange={(on) =>
            onLayout(
              on
                ? [{ id: each.id, width: each.width }, ...layout]
                : layout.filter(({ id }) => id !== each.id),
            )
          }
        >
          <span className="w-4">
            <Menu.ItemIndicator>
              <Check size={14} aria-hidden />
            </Menu.ItemIndicator>
          </span>
          {each.label}
        </Menu.CheckboxItem>
      ))}
    </>
  );
}
