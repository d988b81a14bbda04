/** The drafting table: strip, surface, book, tray. */
import { beginAnew, openFiles } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useMemo, useRef } from "react";
import { Link, useParams } from "react-router";

import { FoldedLine } from "../book/FoldedLine";
import { actWords, PutAside } from "../book/PutAside";
import { useWaiting } from "../session/waiting";
import { Stopped } from "../book/Stopped";
import { SidePanel } from "../book/SidePanel";
import type { Line, Where } from "../api/types";
import { askEarlyOf } from "../session/early";
import { Session } from "../session/session";
import { MOST_SHOWN } from "../session/whereabouts";
import { selectedIds } from "../state/selection";
import { forgetBacking, loadBacking } from "../state/backing";
import { forgetDocument, useDocument } from "../state/document";
import { loadGroups } from "../state/groups";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { FilesPage } from "../files/FilesPage";
import { useDrops } from "../files/drops";
import { useFiles } from "../files/options";
import { HistoryPage } from "../history/HistoryPage";
import { SheetPage } from "../sheet/SheetPage";
import { Surface } from "../surface/Surface";
import { showTag } from "../surface/tag";
import type { View } from "../surface/view";
import { Tray } from "../tray/Tray";
import { TableContext, type TableParts } from "./context";
import { useTableKeys } from "./keys";
import { OpenLine } from "./openline";
import { TitleStrip } from "./TitleStrip";

export function Table() {
  const { id = "" } = useParams();
  return <OneTable key={id} id={id} />;
}

function OneTable({ id }: { id: string }) {
  const parts = useParts(id);
  const { connection, name, why } = useDocument();
  useEffect(() => {
    document.title = name ? `${name} · Kentrograph` : "Kentrograph";
  }, [name]);
  if (connection === "gone") return <Missing why={why} />;
  return parts ? <Laid parts={parts} /> : null;
}

function Laid({ parts }: { parts: TableParts }) {
  useTableKeys(parts);
  const folded = usePreferences((p) => p.folded);
  useFreshGroups(parts.session.drawing);
  const { over, ...drops } = useDrops((dropped) => {
    useFiles.setState({ dropped });
    openFiles();
  });
  return (
    <TableContext.Provider value={parts}>
      <Flex direction="column" h="100%" overflow="hidden">
        <TitleStrip />
        <Flex flex="1" minH="0">
          <Box position="relative" flex="1" minW="0" display="flex" {...drops}>
            <Surface />
            <SheetPage />
            <FilesPage />
            <HistoryPage />
            {over && <DropHere />}
          </Box>
          {!folded && <SidePanel />}
        </Flex>
        {folded && <PutAside />}
        {folded && <Stopped />}
        {folded && <FoldedLine />}
        <Tray />
      </Flex>
    </TableContext.Provider>
  );
}

/** Where a file that is held over the drawing would go. */
function DropHere() {
  return (
    <Flex
      position="absolute"
      inset="3"
      zIndex={4}
      align="center"
      justify="center"
      borderWidth="2px"
      borderStyle="dashed"
      borderColor="snap"
      bg="panel/80"
      pointerEvents="none"
    >
      <Text fontWeight={600}>Drop it to see what is in it</Text>
    </Flex>
  );
}

/** The groups as they stand: while their leaf is looked at, and wherever one of them is locked, which is to hold without it. */
function useFreshGroups(drawing: string): void {
  const revision = useDocument((d) => d.revision);
  const locked = usePreferences((p) => (p.locked[drawing]?.length ?? 0) > 0);
  const looked = useInterface((i) => i.leaf === "groups");
  useEffect(() => {
    if (revision >= 0 && (locked || looked)) void loadGroups(drawing);
  }, [drawing, revision, locked, looked]);
}

/** A session for this drawing for as long as the table is open. */
function useParts(id: string): TableParts | null {
  const view = useRef<View | null>(null);
  const pointerTag = useRef<HTMLDivElement | null>(null);
  const parts = useMemo(() => {
    askEarlyOf(id);
    forgetDocument(id);
    forgetBacking();
    beginAnew();
    const made: { openLine?: OpenLine } = {};
    let answering = false;
    const showBusy = () => view.current?.showBusy(answering || made.openLine?.busy === true);
    const session = new Session(
      id,
      (line) => made.openLine?.take(line),
      (busy) => {
        answering = busy;
        showBusy();
      },
      () => whereAmI(view.current),
    );
    const show = (line: Line) => {
      view.current?.show(line);
      const shown = view.current;
      showTag(pointerTag.current, line, shown?.handleWords() ?? null, (at) => shown?.pixelAt(at) ?? null);
    };
    made.openLine = new OpenLine(session, show, showBusy);
    return { session, openLine: made.openLine, view, pointerTag };
  }, [id]);
  useEffect(() => {
    parts.session.open();
    void loadBacking(id);
    parts.openLine.restore();
    const stop = useDocument.subscribe((now, before) => {
      if (now.revision !== before.revision) parts.openLine.again();
    });
    return () => {
      stop();
      parts.session.close();
    };
  }, [parts, id]);
  return parts;
}

function whereAmI(view: View | null): Where {
  const pointed = view?.pointed() ?? null;
  return {
    at: pointed && [pointed.x, pointed.y],
    selected: selectedIds().slice(0, MOST_SHOWN),
    mending: useInterface.getState().mend?.id ?? null,
  };
}

function Missing({ why }: { why: string }) {
  const waits = useWaiting((w) => w.waits);
  return (
    <Box p="10">
      <Text fontSize="16px">{why}</Text>
      {waits.length > 0 && (
        <Box mt="3">
          <Text>What you did without the connection is kept here:</Text>
          {waits.map(({ act }, n) => (
            <Text key={n} fontFamily="mono">
              {actWords(act, () => "a step")}
            </Text>
          ))}
        </Box>
      )}
      <Link to="/">
        <Text color="snap" mt="2">
          To all drawings
        </Text>
      </Link>
    </Box>
  );
}
