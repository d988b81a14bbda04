/** What the newest change left waiting, with the way back beside it. */
import { selectAll } from "../state/selection";
import { Flex, Text } from "@chakra-ui/react";

import { useDocument } from "../state/document";

import { useTable } from "../table/context";
import { Word } from "../Words";
import { doOrSay } from "../table/writing";

const MOST_NAMED = 4;

/** "C2, A1 and L4 cannot be drawn any more, after striking line L1." */
export function stoppedWords(names: readonly string[], change: string | null): string {
  const shown =
    names.length > MOST_NAMED + 1 ? [...names.slice(0, MOST_NAMED), `${names.length - MOST_NAMED} more`] : names;
  const list = [shown.slice(0, -1).join(", "), ...shown.slice(-1)].filter((part) => part !== "").join(" and ");
  return `${list} cannot be drawn any more${change === null ? "" : `, after ${change}`}.`;
}

export function Stopped() {
  const { session } = useTable();
  const { stopped, byId, undo } = useDocument();
  const first = stopped[0];
  if (first === undefined) return null;
  const names = stopped.map((id) => byId.get(id)?.name ?? "").filter((name) => name !== "");
  return (
    <Flex
      role="status"
      aria-label="What waits"
      flex="none"
      px="3"
      py="1.5"
      gap="2"
      borderTopWidth="1px"
      borderColor="rule"
    >
      <Text flex="1" minW="0" color="place" fontSize="12px">
        {stoppedWords(names, undo)}{" "}
        <Word fontSize="12px" px="0" py="0" onClick={() => selectAll(stopped, first)}>
          Show which
        </Word>
      </Text>
      <Word
        fontSize="12px"
        py="0"
        alignSelf="start"
        title="Ctrl+Z"
        onClick={() => void doOrSay(session, { do: "undo" })}
      >
        Undo
      </Word>
    </Flex>
  );
}
