/** At the pointer: the places that could be taken here, in words, and the kinds of place that are on. */
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";

import { alike, type Alike } from "../api/client";
import { DECLARED } from "../api/declared.gen";
import { useDocument } from "../state/document";
import { figureBy } from "../state/figures";
import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { selectAll } from "../state/selection";
import { isOn } from "../state/snapping";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { Steps } from "./Steps";

const WIDTH = 404;
const HEIGHT = 600;

const List = chakra(Box, {
  base: {
    position: "absolute",
    zIndex: 2,
    w: `${WIDTH}px`,
    maxH: `min(${HEIGHT}px, 100%)`,
    overflowY: "auto",
    bg: "panel",
    borderWidth: "1px",
    borderColor: "rule",
    borderRadius: "5px",
    boxShadow: "0 2px 10px rgb(27 42 73 / 0.15)",
    py: "2",
    px: "2.5",
    cursor: "default",
  },
});

export function PointerMenu({ at, close }: { at: { x: number; y: number }; close: () => void }) {
  const { view } = useTable();
  const menu = useRef<HTMLDivElement>(null);
  const size = view.current?.size ?? { width: 0, height: 0 };
  useEffect(() => {
    menu.current?.querySelector<HTMLElement>("button, input")?.focus();
  }, []);
  return (
    <List
      ref={menu}
      role="dialog"
      aria-label="At the pointer"
      data-own-keys
      left={`${Math.max(0, Math.min(at.x + 4, size.width - WIDTH - 8))}px`}
      top={`${Math.max(0, Math.min(at.y + 4, size.height - HEIGHT - 8))}px`}
      onPointerMove={(e) => e.stopPropagation()}
      onKeyDown={(e) => {
        if (e.key === "Escape") close();
      }}
    >
      <Here close={close} />
      <Selecting close={close} />
      <Kinds close={close} />
      <Steps />
    </List>
  );
}

/** What a click could state here, as it was when the list was opened. */
function Here({ close }: { close: () => void }) {
  const { openLine } = useTable();
  const [picks] = useState(() => {
    const { draft, line } = useInterface.getState();
    return draft && line?.click ? line.picks : [];
  });
  if (picks.length === 0) return null;
  return (
    <Box mb="2.5" role="group" aria-label="What can be taken here">
      <Text color="label" fontWeight={600} fontSize="12px" mb="1">
        Take here
      </Text>
      {picks.map((words, n) => (
        <Word
          key={words}
          display="block"
          w="100%"
          textAlign="left"
          fontWeight={400}
          onClick={() => {
            openLine.choose(n);
            openLine.click();
            close();
          }}
        >
          {words}
        </Word>
      ))}
    </Box>
  );
}

const WAYS: readonly (readonly [Alike, string])[] = [
  ["together", "All that hangs together with it"],
  ["like", "All of its kind and pen"],
  ["pen", "All that its pen draws"],
  ["step", "All that its step made"],
  ["group", "Its group"],
  ["inside", "All that lies inside it"],
  ["everything", "Everything"],
];

/** With nothing begun: what is to be selected along with the figure that was pointed at. */
function Selecting({ close }: { close: () => void }) {
  const { session } = useTable();
  const [figure] = useState(() => {
    const { draft, text, pointed, selected } = useInterface.getState();
    return draft || text !== "" ? null : (pointed ?? selected);
  });
  const name = useDocument((d) => (figure === null ? "" : (figureBy(d.byId, figure)?.name ?? "")));
  if (figure === null) return null;
  return (
    <Box mb="2.5" role="group" aria-label="Select">
      <Text color="label" fontWeight={600} fontSize="12px" mb="1">
        Select, with {name}
      </Text>
      <Flex wrap="wrap">
        {WAYS.map(([way, words]) => (
          <Word
            key={way}
            w="50%"
            textAlign="left"
            fontWeight={400}
            py="0.5"
            onClick={() => {
              void alike(session.drawing, figure, way).then((found) => selectAll(found, figure));
              close();
            }}
          >
            {words}
          </Word>
        ))}
      </Flex>
    </Box>
  );
}

/** Each kind: a word that asks for it just once, and a tick that keeps it on. */
function Kinds({ close }: { close: () => void }) {
  const { openLine } = useTable();
  const snaps = usePreferences((p) => p.snaps);
  const drafting = useInterface((i) => i.draft !== null);
  const set = (key: string, on: boolean) =>
    usePreferences.setState({ snaps: { ...snaps, set: { ...snaps.set, [key]: on } } });
  return (
    <Box role="group" aria-label="Kinds of place">
      <Text color="label" fontWeight={600} fontSize="12px" mb="1">
        Places that are taken{drafting ? "; a word asks for one just once" : ""}
      </Text>
      {DECLARED.places.map((kind) => (
        <Flex key={kind.key} align="center" gap="1.5" fontSize="12px">
          <input
            type="checkbox"
            aria-label={`${kind.word}: ${kind.explanation}`}
            checked={isOn(kind, snaps.set)}
            onChange={(e) => set(kind.key, e.target.checked)}
          />
          <Word
            px="1"
            py="0"
            minW="76px"
            textAlign="left"
            disabled={!drafting}
            onClick={() => {
              openLine.type(kind.word);
              close();
            }}
          >
            {kind.word}
          </Word>
          <Text color="quiet" lineHeight="1.2">
            {kind.explanation}
          </Text>
        </Flex>
      ))}
    </Box>
  );
}
