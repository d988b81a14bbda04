/** The book at the side: its leaves, and the open line always in sight. Folded away, the open line lies along the foot. */
import { openLeaf } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";

import { ChecksLeaf } from "../checks/ChecksLeaf";
import { GroupsLeaf } from "../groups/GroupsLeaf";
import { HelpLeaf } from "../help/HelpLeaf";
import { PointsLeaf } from "../points/PointsLeaf";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { Word } from "../Words";
import { BookLeaf } from "./BookLeaf";
import { OpenLineView } from "./OpenLineView";
import { PutAside } from "./PutAside";
import { Stopped } from "./Stopped";

const LEAVES = [
  ["book", "Book"],
  ["checks", "Checks"],
  ["points", "Points"],
  ["groups", "Groups"],
  ["help", "Help"],
] as const;

/** How many readings are out and how many steps wait. */
function Trouble() {
  const steps = useDocument((d) => d.steps);
  const count = steps.filter((s) => (s.problem ? !s.off : s.reading?.compared?.verdict === "out")).length;
  return count === 0 ? null : (
    <Text as="span" color="place" fontSize="11px" ml="1" title="Readings that are out, and steps that wait">
      {count}
    </Text>
  );
}

export function SidePanel() {
  const leaf = useInterface((i) => i.leaf);
  return (
    <Flex
      as="aside"
      aria-label="Setting-out book"
      direction="column"
      w={{ base: "320px", "2xl": "392px" }}
      flex="none"
      bg="panel"
      borderLeftWidth="1px"
      borderColor="rule"
    >
      <Flex h="42px" flex="none" align="stretch" px="3" borderBottomWidth="1px" borderColor="rule">
        <Flex role="tablist" align="stretch" gap="1">
          {LEAVES.map(([key, word]) => (
            <Word
              key={key}
              role="tab"
              aria-selected={leaf === key}
              borderRadius="0"
              borderBottomWidth="2px"
              borderColor={leaf === key ? "ink" : "transparent"}
              color={leaf === key ? "ink" : "quiet"}
              onClick={() => openLeaf(key)}
            >
              {word}
              {key === "checks" && <Trouble />}
            </Word>
          ))}
        </Flex>
        <Box flex="1" />
        <Word color="quiet" fontSize="12px" onClick={() => usePreferences.setState({ folded: true })}>
          Fold
        </Word>
      </Flex>
      <Box flex="1" minH="0" overflowY="auto" role="tabpanel" tabIndex={-1}>
        {leaf === "book" ? (
          <BookLeaf />
        ) : leaf === "checks" ? (
          <ChecksLeaf />
        ) : leaf === "points" ? (
          <PointsLeaf />
        ) : leaf === "groups" ? (
          <GroupsLeaf />
        ) : (
          <HelpLeaf />
        )}
      </Box>
      <PutAside />
      <Stopped />
      <OpenLineView />
    </Flex>
  );
}
