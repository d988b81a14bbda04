/** The strip over the table: name, how the drawing counts, whether it is saved, undo and redo with what they would undo. */
import { openFiles, openHistory, openSheet, openTable } from "../state/actions";
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";

import { renameDrawing } from "../api/client";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { Drop } from "../Drop";
import { AtTable } from "../people/AtTable";
import { OwnMenu } from "../people/OwnMenu";
import { Shared } from "../people/Shared";
import { useWho } from "../state/who";
import { Strip, Word } from "../Words";
import { BackingAsking, BackingMenu } from "./BackingMenu";
import { useWaiting } from "../session/waiting";
import { useTable } from "./context";
import { MannerMenu } from "./MannerMenu";
import { statusWords } from "./status";
import { doOrSay } from "./writing";

export function TitleStrip() {
  const { undo, redo, connection, may, opening } = useDocument();
  const looking = may === "see";
  const history = useInterface((i) => i.history);
  const waits = useWaiting((w) => w.waits.length);
  const { session, openLine } = useTable();
  return (
    <Strip>
      <Rule />
      <Name />
      <MannerMenu />
      {!looking && <BackingMenu />}
      <BackingAsking />
      <Rule />
      <Views />
      <Box flex="1" />
      <AtTable />
      <SharedMenu />
      <Word
        color={connection === "lost" ? "place" : "quiet"}
        fontWeight={400}
        title="Its history"
        aria-pressed={history}
        onClick={() => openHistory(!history)}
      >
        <span role="status">
          {opening !== null && openingWords(opening)}
          {opening === null && statusWords(connection, waits, looking)}
        </span>
      </Word>
      <Rule />
      <Word
        disabled={undo === null || looking}
        title="Ctrl+Z"
        onClick={() => openLine.inTurn(() => doOrSay(session, { do: "undo" }))}
      >
        Undo {undo !== null && <b>{undo}</b>}
      </Word>
      <Word
        disabled={redo === null || looking}
        title="Ctrl+Shift+Z"
        onClick={() => openLine.inTurn(() => doOrSay(session, { do: "redo" }))}
      >
        Redo {redo !== null && <b>{redo}</b>}
      </Word>
      <OwnMenu />
    </Strip>
  );
}

function openingWords({ done, steps }: { readonly done: number; readonly steps: number }): string {
  return `Opening … ${done.toLocaleString("en")} of ${steps.toLocaleString("en")} steps`;
}

/** The drawing is one, and has three views: the table it is drawn on, the sheet and the files it is handed over as. */
function Views() {
  const sheet = useInterface((i) => i.sheet);
  const files = useInterface((i) => i.files);
  const now = files ? "Files" : sheet !== null ? "Sheet" : "Table";
  return (
    <Flex role="radiogroup" aria-label="View of the drawing">
      {(["Table", "Sheet", "Files"] as const).map((word) => {
        const here = word === now;
        return (
          <Word
            key={word}
            role="radio"
            aria-checked={here}
            fontWeight={here ? 600 : 500}
            color={here ? "ink" : "quiet"}
            onClick={() => (word === "Sheet" ? openSheet(sheet ?? 1) : word === "Files" ? openFiles() : openTable())}
          >
            {word}
          </Word>
        );
      })}
    </Flex>
  );
}

/** With whom it is shared; where one person is alone there is nobody to share it with, and a guest gets no names. */
function SharedMenu() {
  const { session } = useTable();
  const who = useWho((w) => w.who);
  if (!who?.office || who.person === null) return null;
  return (
    <Drop word="Share" label="With whom it is shared" end>
      {() => <Shared drawing={session.drawing} />}
    </Drop>
  );
}

function Rule() {
  return <Box w="1px" h="20px" bg="rule" />;
}

function Name() {
  const { id, name, may } = useDocument();
  const [typed, setTyped] = useState<string | null>(null);
  const finish = () => {
    if (typed !== null && typed.trim() !== "" && typed !== name) {
      void renameDrawing(id, typed).then((renamed) => useDocument.setState({ name: renamed.name }));
    }
    setTyped(null);
  };
  if (may === "see") return <Text fontWeight={500}>{name}</Text>;
  if (typed === null) {
    return (
      <Word
        title={`${name} (click to rename)`}
        flexShrink={1}
        minW="60px"
        overflow="hidden"
        textOverflow="ellipsis"
        onClick={() => setTyped(name)}
      >
        {name}
      </Word>
    );
  }
  return (
    <Input
      autoFocus
      size="xs"
      w="220px"
      aria-label="Name of the drawing"
      data-own-keys
      value={typed}
      maxLength={200}
      onChange={(e) => setTyped(e.target.value)}
      onFocus={(e) => e.target.select()}
      onBlur={finish}
      onKeyDown={(e) => {
        if (e.key === "Enter") finish();
        if (e.key === "Escape") setTyped(null);
      }}
    />
  );
}
