/** What of the drawing is in view, in words, at the corner of the surface. */
import { turnPencil } from "../state/actions";
import { Flex } from "@chakra-ui/react";

import { useInterface } from "../state/interface";
import { usePreferences } from "../state/preferences";
import { useTable } from "../table/context";
import { Word } from "../Words";

export function Views() {
  const { view } = useTable();
  const selected = useInterface((i) => i.selected);
  const pencil = useInterface((i) => i.pencil);
  const names = usePreferences((p) => p.names);
  return (
    <Flex
      data-own-keys
      position="absolute"
      right="2"
      bottom="2"
      align="center"
      fontSize="12px"
      color="quiet"
      // In a crowd the words are read as anywhere; on bare paper nothing of this is seen.
      bg="paper/85"
      borderRadius="4px"
      onPointerMove={(e) => e.stopPropagation()}
      onPointerEnter={() => view.current?.leavePointer()}
    >
      <Word
        title="Alt+N: every figure's name beside it"
        aria-pressed={names}
        bg={names ? "lit" : undefined}
        onClick={() => usePreferences.setState({ names: !names })}
      >
        Names
      </Word>
      <Word
        title="Alt+P: pencil in sight, or only what is drawn over it"
        aria-pressed={pencil}
        bg={pencil ? "lit" : undefined}
        onClick={() => turnPencil()}
      >
        Pencil
      </Word>
      <Word title="Ctrl+Home: the whole drawing" onClick={() => view.current?.frameAll()}>
        Everything
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
    </Flex>
  );
}
