/** The row that is being written: every key goes there. */
import { chakra, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";

import type { Draft, Line, Step } from "../api/types";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { OPEN_LINE_INPUT } from "../table/keys";

const Row = chakra("textarea", {
  base: {
    flex: "1",
    minW: "0",
    py: "1",
    resize: "none",
    overflow: "auto",
    maxH: "132px",
    fieldSizing: "content",
    lineHeight: "22px",
    bg: "transparent",
    fontFamily: "mono",
    fontSize: "15px",
    color: "ink",
    caretColor: "{colors.place}",
    outline: "none",
    _focusVisible: { outline: "none" },
  },
});

export function LineInput() {
  const { openLine } = useTable();
  const { draft, text, mend, refused } = useInterface();
  const input = useRef<HTMLTextAreaElement>(null);
  useEffect(() => input.current?.focus(), [draft, mend]);
  // What was refused, and a given that was opened, are there to be typed over: nothing runs into them.
  const opened = mend?.row;
  useEffect(() => {
    if (refused !== null || opened !== undefined) input.current?.select();
  }, [refused, opened, draft]);
  return (
    <Row
      ref={input}
      id={OPEN_LINE_INPUT}
      aria-label="Open line"
      aria-describedby="open-line-hint"
      rows={1}
      autoComplete="off"
      spellCheck={false}
      value={text}
      onChange={(e) => openLine.type(e.target.value.replaceAll("\n", " "))}
    />
  );
}

/** What the row is read as: the word that a bare entry is taken with, and what it comes to. */
export function RowEcho() {
  const { line, text } = useInterface();
  const typed = text.trim();
  if (!line || typed === "") return null;
  const word = line.row !== typed && line.row.endsWith(typed) ? line.row.slice(0, -typed.length).trim() : "";
  const said = [word, line.value].filter((one) => one !== "").join(" = ");
  return said === "" ? null : (
    <Text color="quiet" flex="none" maxW="55%" truncate data-testid="echo">
      {said}
    </Text>
  );
}

/** What is being written or mended, in a few words; nothing where nothing is begun. */
export function lineTitle(mended: Step | undefined, draft: Draft | null, line: Line | null): string {
  if (mended) return `Mending ${mended.title} ${mended.name}`;
  return draft ? kindWords(draft.kind, line?.name ?? "") : "";
}

function kindWords(kind: string, name: string): string {
  const word = kind.startsWith("measure ") ? `Reading: ${kind.slice(8)}` : kind.charAt(0).toUpperCase() + kind.slice(1);
  return name !== "" && !kind.startsWith("measure") ? `${word} ${name}` : word;
}
