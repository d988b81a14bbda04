/** What an empty drawing says: what to type first. */
import { Box, chakra, Text } from "@chakra-ui/react";

import { useTable } from "../table/context";

const FIRST: readonly (readonly [string, string])[] = [
  ["40, 25", "a point, 40 across and 25 up from the datum"],
  ["line from 0,0 to + 50 at 30", "a line, 50 long in direction 30"],
  ["circle centre 0,0 diameter 24", "a circle"],
  ["path", "a chain: place after place, close ends it"],
];

const Example = chakra("button", {
  base: {
    display: "grid",
    gridTemplateColumns: "240px 1fr",
    gap: "4",
    w: "100%",
    textAlign: "left",
    px: "3",
    py: "1.5",
    borderRadius: "4px",
    cursor: "pointer",
    _hover: { bg: "lit" },
  },
});

export function EmptyPage() {
  const { openLine } = useTable();
  return (
    <Box position="absolute" top="50%" left="50%" transform="translate(-50%, -50%)" w="560px" maxW="92%">
      <Text px="3" mb="2" fontSize="15px" fontWeight={600}>
        Type to draw. For example:
      </Text>
      {FIRST.map(([words, meaning]) => (
        <Example key={words} onClick={() => openLine.type(words)}>
          <Text fontFamily="mono">{words}</Text>
          <Text color="quiet">{meaning}</Text>
        </Example>
      ))}
      <Text px="3" mt="2" color="quiet">
        Enter writes it in the book. What you type goes to the open line, wherever the pointer is.
      </Text>
    </Box>
  );
}
