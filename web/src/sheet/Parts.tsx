/** Views and tables on the sheet: pointed at they are framed, a drag moves them, a click opens what can be said of them. */
import { choosePart } from "../state/actions";
import { Box } from "@chakra-ui/react";
import { type PointerEvent, useState } from "react";

import type { Sheet, SheetPart } from "../api/types";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { restate } from "./restate";

interface Dragged {
  readonly key: string;
  readonly from: readonly [number, number];
  readonly by: readonly [number, number];
}

const STILL = 3;

export function Parts({ sheet, scale }: { sheet: Sheet; scale: number }) {
  const { session } = useTable();
  const chosen = useInterface((i) => i.sheetPart);
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const parts = [
    ...sheet.views.map((part) => ({ part, table: false })),
    ...sheet.tables.map((part) => ({ part, table: true })),
  ];
  const put = async (part: SheetPart, [dx, dy]: readonly [number, number]) => {
    const [x = 0, y = 0] = part.at;
    const said = `${Math.round(x + dx / scale)}, ${Math.round(y - dy / scale)}`;
    await restate(session, part.id, "at", said, "view", part.fixed ? `scale ${part.scale}` : "");
  };
  return (
    <>
      {parts.map(({ part, table }, n) => {
        const [left = 0, bottom = 0, right = 0, top = 0] = part.box;
        const key = part.id ?? `unasked ${n}`;
        const moved = dragged?.key === key ? dragged.by : ([0, 0] as const);
        const here = (event: PointerEvent) => [event.clientX, event.clientY] as const;
        return (
          <Box
            key={key}
            role="button"
            tabIndex={0}
            aria-label={table ? `Table ${part.name}` : `View ${part.name || "of all"} ${part.scale}`}
            aria-pressed={chosen === key}
            data-own-keys
            position="absolute"
            cursor="move"
            borderWidth="1.5px"
            borderStyle="dashed"
            borderColor={chosen === key || dragged?.key === key ? "selected" : "transparent"}
            _hover={{ borderColor: "snap" }}
            _focusVisible={{ borderColor: "selected", outline: "none" }}
            style={{
              left: left * scale - 4 + moved[0],
              top: (sheet.height - top) * scale - 4 + moved[1],
              width: (right - left) * scale + 8,
              height: (top - bottom) * scale + 8,
            }}
            onPointerDown={(event) => {
              event.currentTarget.setPointerCapture(event.pointerId);
              setDragged({ key, from: here(event), by: [0, 0] });
            }}
            onPointerMove={(event) => {
              if (dragged?.key !== key) return;
              const [x, y] = here(event);
              setDragged({ ...dragged, by: [x - dragged.from[0], y - dragged.from[1]] });
            }}
            onPointerUp={() => {
              if (dragged?.key !== key) return;
              const still = Math.hypot(...dragged.by) < STILL;
              choosePart(key);
              if (still) setDragged(null);
              else void put(part, dragged.by).then(() => setDragged(null));
            }}
            onPointerCancel={() => setDragged(null)}
            onKeyDown={(event) => {
              const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
              if (!by) return;
              event.preventDefault();
              const step = event.shiftKey ? 10 : 1;
              void put(part, [(by[0] ?? 0) * step * scale, (by[1] ?? 0) * step * scale]);
            }}
          />
        );
      })}
    </>
  );
}
