/** With the book folded away: the open line as a single row along the foot of the surface. */
import { Box, Flex, Text } from "@chakra-ui/react";

import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { LineInput, lineTitle, RowEcho } from "./LineInput";

export function FoldedLine() {
  const { openLine } = useTable();
  const { draft, text, mend, line, refused } = useInterface();
  const steps = useDocument((d) => d.steps);
  const problem = refused ?? line?.problem ?? null;
  const title = lineTitle(
    steps.find((s) => s.id === mend?.id),
    draft,
    line,
  );
  const several = line !== null && line.solutions.length > 1 ? `${line.taken + 1} of ${line.solutions.length}` : "";
  return (
    <Flex
      as="section"
      aria-label="Open line"
      flex="none"
      align="center"
      gap="3"
      px="4"
      minH="44px"
      bg="panel"
      borderTopWidth="2px"
      borderColor="place"
    >
      {title !== "" && (
        <Text color="place" fontWeight={600} whiteSpace="nowrap">
          {title}
        </Text>
      )}
      {draft?.rows.map((row, index) => (
        <Word
          key={index}
          fontWeight={400}
          px="0"
          title="Click to change"
          onClick={() => openLine.inTurn(() => openLine.rows.change(index))}
        >
          {row}
        </Word>
      ))}
      <Box flex="1" minW="120px" borderBottomWidth="1.5px" borderColor="ink">
        <LineInput />
      </Box>
      <RowEcho />
      {several !== "" && <Text fontWeight={600}>{several}</Text>}
      <Text
        id="open-line-hint"
        flex="1.4"
        color={problem ? "place" : "quiet"}
        role={problem && text !== "" ? "alert" : undefined}
        lineHeight="1.25"
      >
        {line?.reading && !mend ? line.reading.value : (problem?.message ?? line?.hint ?? "")}
      </Text>
      <Word onClick={() => usePreferences.setState({ folded: false })}>Unfold the book</Word>
    </Flex>
  );
}
