/** Words that may stand next, each with one line that explains it. */
import { chakra, Text } from "@chakra-ui/react";

import type { Line } from "../api/types";
import { useTable } from "../table/context";
import { useInterface } from "../state/interface";

const Choice = chakra("button", {
  base: {
    display: "grid",
    gridTemplateColumns: "88px 1fr",
    gap: "2",
    w: "100%",
    textAlign: "left",
    py: "0.5",
    px: "1",
    ml: "-1",
    borderRadius: "3px",
    cursor: "pointer",
    _hover: { bg: "lit" },
  },
});

export function Completions({ line, text }: { line: Line; text: string }) {
  const { openLine } = useTable();
  const draft = useInterface((i) => i.draft);
  const exact = line.completions.length === 1 && line.completions[0]?.word === text.trim().toLowerCase();
  if (line.completions.length === 0 || text.trim() === "" || exact) return null;
  return (
    <>
      {line.completions.map((c) => (
        <Choice
          key={c.word}
          onClick={() =>
            (draft ?? text.trim().includes(" "))
              ? openLine.type(`${text.replace(/[A-Za-z_]\w*$/, "")}${c.word} `)
              : openLine.begin(c.word)
          }
        >
          <Text fontWeight={600}>{c.word}</Text>
          <Text color="quiet">{c.explanation}</Text>
        </Choice>
      ))}
    </>
  );
}
