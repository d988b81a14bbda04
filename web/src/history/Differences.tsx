/** What came, went and changed between two states, in words. */
import { Box, Flex, Text } from "@chakra-ui/react";

import type { Difference } from "../api/types";

const SAID: Record<Difference["what"], string> = {
  came: "came",
  went: "went",
  changed: "changed",
  followed: "followed",
  moved: "stands elsewhere in the book",
};
const MOST = 200;

export function Differences({ rows, now }: { rows: readonly Difference[]; now: boolean }) {
  return (
    <Box
      flex="none"
      maxH="34%"
      overflowY="auto"
      px="4"
      py="2"
      bg="panel"
      borderTopWidth="1px"
      borderColor="rule"
      aria-label="What differs"
      role="region"
    >
      {rows.length === 0 ? (
        <Text color="quiet">{now ? "Nothing differs from what it is now." : "Nothing came of it."}</Text>
      ) : (
        <Text color="quiet" fontSize="12px" mb="1">
          Dashed and red: as it was. Green: as it is after that. Grey: the same.
        </Text>
      )}
      {rows.slice(0, MOST).map((one) => (
        <Flex key={`${one.id} ${one.what}`} gap="2" py="0.5" align="baseline">
          <Text w="86px" flex="none" fontWeight={600} truncate>
            {one.name}
          </Text>
          <Text w="76px" flex="none" color="quiet" truncate={one.what !== "moved"} whiteSpace="nowrap">
            {SAID[one.what]}
          </Text>
          <Text flex="1" minW="0" fontFamily="mono" fontSize="12px" wordBreak="break-word">
            {one.before !== "" && (
              <Text as="span" color="place">
                {one.before}
              </Text>
            )}
            {one.before !== "" && one.after !== "" && " → "}
            {one.what === "followed" && one.before === "" && one.after === "" && "drawn otherwise"}
            {one.after !== "" && (
              <Text as="span" color="snap">
                {one.after}
              </Text>
            )}
          </Text>
        </Flex>
      ))}
      {rows.length > MOST && <Text color="quiet">and {rows.length - MOST} more</Text>}
    </Box>
  );
}
