/** The tray along the bottom, in words. Nothing needs it: everything on it has a word to type. */
import { Box, Flex, Text } from "@chakra-ui/react";

import { useInterface } from "../state/interface";
import { type Pen, usePreferences } from "../state/preferences";
import { useTable } from "../table/context";
import { Word } from "../Words";

const GROUPS = [
  [
    "Place",
    [
      ["point", "Point"],
      ["line", "Line"],
      ["path", "Path"],
      ["circle", "Circle"],
      ["arc", "Arc"],
      ["ellipse", "Ellipse"],
      ["rectangle", "Rectangle"],
      ["polygon", "Polygon"],
    ],
  ],
  ["Shape", [["fillet", "Fillet"]]],
  [
    "Read",
    [
      ["measure distance", "Distance"],
      ["measure angle", "Angle"],
      ["measure area", "Area"],
      ["measure radius", "Radius"],
      ["measure gap", "Touch"],
    ],
  ],
] as const;

const PENS: readonly Pen[] = ["pencil", "ink"];

export function Tray() {
  const { openLine, view } = useTable();
  const kind = useInterface((i) => i.draft?.kind);
  const selected = useInterface((i) => i.selected);
  const pen = usePreferences((p) => p.pen);
  return (
    <Flex
      as="nav"
      aria-label="Tray"
      h="52px"
      flex="none"
      align="center"
      gap="1"
      px="3"
      bg="panel"
      borderTopWidth="1px"
      borderColor="rule"
    >
      {GROUPS.map(([group, words]) => (
        <Flex key={group} align="center" mr="2.5">
          <Text color="label" fontWeight={600} fontSize="12px" mr="1">
            {group}
          </Text>
          {words.map(([word, shown]) => (
            <Word
              key={word}
              px="1.5"
              py="1.5"
              aria-pressed={kind === word}
              bg={kind === word ? "ink" : undefined}
              color={kind === word ? "panel" : "ink"}
              _hover={{ bg: kind === word ? "ink" : "rule" }}
              onClick={() => openLine.begin(word)}
            >
              {shown}
            </Word>
          ))}
        </Flex>
      ))}
      <Box flex="1" />
      <Word title="Ctrl+Home" onClick={() => view.current?.frameAll()}>
        See everything
      </Word>
      <Word title="Ctrl+End" disabled={selected === null} onClick={() => view.current?.frameSelection()}>
        Selection
      </Word>
      <Word
        title="Ctrl+PageDown; with Ctrl a box is drawn to be seen larger"
        onClick={() => view.current?.viewBefore()}
      >
        Before
      </Word>
      <Flex
        role="radiogroup"
        aria-label="Drawn with"
        borderWidth="1px"
        borderColor="rule"
        borderRadius="5px"
        overflow="hidden"
        ml="3"
      >
        {PENS.map((one) => (
          <Word
            key={one}
            role="radio"
            aria-checked={pen === one}
            borderRadius="0"
            px="3"
            bg={pen === one ? "ink" : undefined}
            color={pen === one ? "panel" : "quiet"}
            _hover={{ bg: pen === one ? "ink" : "rule" }}
            onClick={() => usePreferences.setState({ pen: one })}
          >
            {one === "pencil" ? "Pencil" : "Ink"}
          </Word>
        ))}
      </Flex>
    </Flex>
  );
}
