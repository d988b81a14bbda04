/** The tray along the bottom, in words. Nothing needs it: everything on it has a word to type. */
import { Box, chakra, Flex } from "@chakra-ui/react";
import { useState } from "react";

import { DECLARED } from "../api/declared.gen";
import type { Kind } from "../api/types";
import { useInterface } from "../state/interface";
import { kindOf } from "../state/kinds";
import { usePreferences } from "../state/preferences";
import { READ } from "../surface/tag";
import { useTable } from "../table/context";
import { Word } from "../Words";

type Group = Kind["group"];
const GROUPS: readonly (readonly [Group, string])[] = [
  ["place", "Place"],
  ["shape", "Shape"],
  ["carry", "Carry"],
  ["read", "Read"],
  ["paper", "Hand over"],
];
/** The narrow pens stand there where they have room; they can be typed anywhere. */
const ROOMY = { base: "none", "2xl": "block" };

/** What is rarely wanted is left to typing in a window narrower than usual. */
const FROM_USUAL = { base: "none", xl: "block" };

const Heading = chakra("button", {
  base: {
    fontWeight: 600,
    fontSize: "12px",
    color: "label",
    px: "1.5",
    py: "1.5",
    mr: "0.5",
    minH: "24px",
    flex: "none",
    cursor: "pointer",
    borderYWidth: "2px",
    borderColor: "transparent",
    _hover: { color: "ink" },
    _expanded: { color: "ink", borderBottomColor: "snap" },
  },
});

/** The words of one group. */
function Kinds({ group }: { group: Group }) {
  const { openLine } = useTable();
  const begun = useInterface((i) => i.draft?.kind);
  return DECLARED.kinds
    .filter((kind) => kind.group === group)
    .map(({ word, title, explanation, rare }) => (
      <Word
        key={word}
        px="1.5"
        py="1.5"
        flex="none"
        display={rare ? FROM_USUAL : undefined}
        title={explanation}
        aria-pressed={begun === word}
        bg={begun === word ? "ink" : undefined}
        color={begun === word ? "panel" : "ink"}
        _hover={{ bg: begun === word ? "ink" : "rule" }}
        onClick={() => openLine.begin(word)}
      >
        {title}
      </Word>
    ));
}

export function Tray() {
  const { openLine } = useTable();
  const [place, setPlace] = useState<Group>("place");
  const [shape, setShape] = useState<Group>("shape");
  // What is selected is most often to be shaped; whoever opens another group then finds that one again.
  const selected = useInterface((i) => i.selected !== null);
  const chosen = selected ? shape : place;
  const begun = useInterface((i) => i.draft?.kind);
  const group = begun === undefined ? undefined : kindOf(begun)?.group;
  // What is being written stays in sight, whichever words were open before; unless others are asked for meanwhile.
  const [asked, setAsked] = useState<{ readonly group: Group; readonly begun: string | undefined } | null>(null);
  const open = asked !== null && begun !== undefined && asked.begun === begun ? asked.group : (group ?? chosen);
  const pen = usePreferences((p) => p.pen);
  return (
    <Flex
      as="nav"
      aria-label="Tray"
      h="52px"
      flex="none"
      align="center"
      gap="0"
      px="3"
      bg="panel"
      borderTopWidth="1px"
      borderColor="rule"
    >
      {GROUPS.map(([one, title]) => (
        <Heading
          key={one}
          aria-expanded={open === one}
          onClick={() =>
            openLine.inTurn(() => {
              const { draft, selected: now } = useInterface.getState();
              (now === null ? setPlace : setShape)(one);
              setAsked({ group: one, begun: draft?.kind });
              // Whoever wants to read points at what is to be read; the words are for what has to be said.
              if (one === "read" && (!draft || draft.again || draft.rows.length === 0)) openLine.begin(READ);
            })
          }
        >
          {title}
        </Heading>
      ))}
      <Kinds group={open} />
      <Box flex="1" />
      <Flex
        role="radiogroup"
        aria-label="Drawn with"
        borderWidth="1px"
        borderColor="rule"
        borderRadius="5px"
        overflow="hidden"
        flex="none"
        ml="2"
      >
        {DECLARED.pens.map(({ word: one, explanation }) => (
          <Word
            key={one}
            role="radio"
            title={explanation}
            aria-checked={pen === one}
            display={one === "pencil" || one === "ink" || pen === one ? undefined : ROOMY}
            borderRadius="0"
            px="1.5"
            bg={pen === one ? "ink" : undefined}
            color={pen === one ? "panel" : "quiet"}
            _hover={{ bg: pen === one ? "ink" : "rule" }}
            onClick={() => usePreferences.setState({ pen: one })}
          >
            {one.charAt(0).toUpperCase() + one.slice(1)}
          </Word>
        ))}
      </Flex>
    </Flex>
  );
}
