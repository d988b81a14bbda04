/** The sheet: the other view of a drawing, as it is on paper. What lies on it is moved by a drag, fields are written in place. */
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";

import type { Sheet } from "../api/types";
import { useDocument } from "../state/document";
import { loadSheet, useHandOver } from "../state/handover";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { Fields } from "./Fields";
import { Parts } from "./Parts";
import { SheetBar } from "./SheetBar";

const ROOM = 28;

export function SheetPage() {
  const { session } = useTable();
  const number = useInterface((i) => i.sheet);
  const revision = useDocument((d) => d.revision);
  const { of, sheet, refused } = useHandOver();
  useEffect(() => {
    if (number !== null && revision >= 0) void loadSheet(session.drawing, number);
  }, [session.drawing, revision, number]);
  if (number === null) return null;
  const shown = of === session.drawing ? sheet : null;
  return (
    <Flex position="absolute" inset="0" zIndex={2} direction="column" bg="desk" data-sheet-page>
      {shown && <SheetBar sheet={shown} />}
      {refused !== "" && (
        <Text role="alert" color="place" p="4">
          {refused}
        </Text>
      )}
      {shown && <Paper sheet={shown} />}
    </Flex>
  );
}

/** On paper there is the sheet and nothing else, as large as it is. */
const printed = ({ width, height }: Sheet) => `@media print {
  @page { size: ${width}mm ${height}mm; margin: 0 }
  body * { visibility: hidden }
  .sheet-paper, .sheet-paper svg, .sheet-paper svg * { visibility: visible }
  .sheet-paper { position: fixed !important; left: 0; top: 0; width: ${width}mm !important; height: ${height}mm !important }
}`;

/** The paper, as large as there is room or as was asked for. */
function Paper({ sheet }: { sheet: Sheet }) {
  const box = useRef<HTMLDivElement>(null);
  const [room, setRoom] = useState<readonly [number, number]>([0, 0]);
  const zoom = useInterface((i) => i.sheetZoom);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const sizes = new ResizeObserver(() => setRoom([element.clientWidth, element.clientHeight]));
    sizes.observe(element);
    return () => sizes.disconnect();
  }, []);
  const fit = Math.max(0.2, Math.min((room[0] - 2 * ROOM) / sheet.width, (room[1] - 2 * ROOM) / sheet.height));
  const scale = fit * zoom;
  return (
    <Box ref={box} flex="1" minH="0" overflow="auto" p={`${ROOM}px`} textAlign="center">
      {room[0] > 0 && (
        <Box
          className="sheet-paper"
          role="region"
          aria-label={`Sheet ${sheet.number}`}
          display="inline-block"
          position="relative"
          textAlign="left"
          bg="white"
          boxShadow="0 1px 10px rgb(27 42 73 / 0.18)"
          style={{ width: sheet.width * scale, height: sheet.height * scale }}
        >
          <Box
            css={{ "& svg": { width: "100%", height: "100%", display: "block" } }}
            h="100%"
            dangerouslySetInnerHTML={{ __html: sheet.svg }}
          />
          <Parts sheet={sheet} scale={scale} />
          <Fields sheet={sheet} scale={scale} />
        </Box>
      )}
      <style>{printed(sheet)}</style>
    </Box>
  );
}
