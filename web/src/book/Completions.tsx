/** Words that may stand next, each with one line that explains it. */
import { chakra, Flex, Text } from "@chakra-ui/react";

import type { Line } from "../api/types";
import { useTable } from "../table/context";
import { Word } from "../Words";
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
  if (line.completions.length === 0 || exact) return null;
  if (text.trim() === "") {
    // With nothing typed: what could be given, as words to be clicked, in as little room as they take.
    return draft ? (
      <Flex wrap="wrap" ml="-1.5" mt="0.5" role="group" aria-label="What can be given">
        {line.completions.map((c) => (
          <Word
            key={c.word}
            fontSize="12px"
            py="0"
            color="snap"
            title={c.explanation}
            onClick={() => openLine.type(`${c.word} `)}
          >
            {c.word}
          </Word>
        ))}
      </Flex>
    ) : null;
  }
  const first = line.enter.do === "type" || line.enter.do === "begin" ? line.completions[0]?.word : undefined;
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
          <Text fontWeight={600}>
            {c.word}
            {c.word === first && (
              <Text as="span" color="place" title="Enter takes it">
                {" ⏎"}
              </Text>
            )}
          </Text>
          <Text color="quiet">{c.explanation}</Text>
        </Choice>
      ))}
    </>
  );
}
