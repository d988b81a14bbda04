/** What is wrong with the row being written, with the place in it marked. */
import { Box, Text } from "@chakra-ui/react";

import type { Problem } from "../api/types";
import { useTable } from "../table/context";
import { Word } from "../Words";

export function ProblemLine({ problem, text }: { problem: Problem; text: string }) {
  const { openLine } = useTable();
  const start = Math.min(problem.start, text.length);
  const end = Math.max(start + 1, Math.min(problem.end, text.length));
  return (
    <Box role="alert" mt="1">
      <Text fontFamily="mono" fontSize="13px" overflowWrap="anywhere" whiteSpace="pre-wrap" aria-hidden="true">
        {text.slice(0, start)}
        <Text as="mark" bg="wrong" color="place" textDecoration="underline">
          {text.slice(start, end) || "\u00a0\u00a0"}
        </Text>
        {text.slice(end)}
      </Text>
      <Text color="place">{problem.message}</Text>
      {problem.suggested && (
        <Word
          color="place"
          textDecoration="underline"
          px="0"
          title="Ctrl+Enter"
          onClick={() => openLine.takeSuggestion()}
        >
          use {problem.suggestion}
        </Word>
      )}
    </Box>
  );
}
