/** Who did what when, the last first, day by day; a state can be given a name. */
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useCallback, useEffect, useState } from "react";

import { historyOf, nameState } from "../api/history";
import type { Happened } from "../api/types";
import { useDocument } from "../state/document";
import { useAttempt } from "../people/parts";
import { useWho } from "../state/who";
import { Word } from "../Words";

const DID: Record<Happened["act"], string> = { do: "", undo: "took back ", redo: "did again ", "with it": "" };

export function Entries({
  drawing,
  newest,
  chosen,
  choose,
  leave,
}: {
  drawing: string;
  newest: number;
  chosen: number | null;
  choose: (revision: number) => void;
  leave: () => void;
}) {
  const [entries, setEntries] = useState<readonly Happened[]>([]);
  const [before, setBefore] = useState<string | null>(null);
  const may = useDocument((d) => d.may);
  const { problem, attempt } = useAttempt();
  const load = useCallback(
    (from?: string) =>
      attempt(async () => {
        const page = await historyOf(drawing, from);
        setEntries((have) => (from === undefined ? page.entries : [...have, ...page.entries]));
        setBefore(page.before);
      }),
    // What is attempted with is the same throughout.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [drawing],
  );
  const name = (revision: number, said: string) =>
    void attempt(() => nameState(drawing, revision, said)).then(() => load());
  useEffect(() => void load(), [load, newest]);
  const step = (by: number) => {
    const states = entries.flatMap((one) => (one.revision === null ? [] : [one.revision]));
    const next = states[chosen === null ? 0 : states.indexOf(chosen) + by];
    if (next !== undefined) choose(next);
  };
  return (
    <Flex
      direction="column"
      w="330px"
      flex="none"
      bg="panel"
      borderRightWidth="1px"
      borderColor="rule"
      tabIndex={0}
      onKeyDown={(event) => {
        if (event.target instanceof HTMLInputElement) return;
        if (event.key === "ArrowDown") step(1);
        else if (event.key === "ArrowUp") step(-1);
        else return;
        event.preventDefault();
      }}
    >
      <Flex align="center" h="42px" flex="none" px="4" borderBottomWidth="1px" borderColor="rule">
        <Text flex="1" fontWeight={600}>
          History
        </Text>
        <Word color="quiet" mr="-1.5" title="Esc" onClick={leave}>
          Done
        </Word>
      </Flex>
      <Box flex="1" minH="0" overflowY="auto" py="1" role="listbox" aria-label="What was done">
        {problem !== "" && (
          <Text role="alert" color="place" px="4">
            {problem}
          </Text>
        )}
        {entries.map((one, n) => {
          const day = dayOf(one.at);
          return (
            <Box key={`${one.at} ${one.revision ?? one.what}`}>
              {(n === 0 || dayOf(entries[n - 1]?.at ?? "") !== day) && (
                <Text color="quiet" fontSize="12px" px="4" pt="2" pb="0.5">
                  {day}
                </Text>
              )}
              <OneEntry
                entry={one}
                chosen={one.revision !== null && one.revision === chosen}
                choose={choose}
                name={may === "see" ? null : (said) => name(one.revision ?? 0, said)}
              />
            </Box>
          );
        })}
        {before !== null && (
          <Word color="snap" ml="2.5" onClick={() => void load(before)}>
            Earlier
          </Word>
        )}
      </Box>
    </Flex>
  );
}

function OneEntry({
  entry,
  chosen,
  choose,
  name,
}: {
  entry: Happened;
  chosen: boolean;
  choose: (revision: number) => void;
  name: ((name: string) => void) | null;
}) {
  const office = useWho((w) => w.who?.office ?? false);
  const [typed, setTyped] = useState<string | null>(null);
  const { revision } = entry;
  const finish = () => {
    if (typed !== null && typed.trim() !== (entry.name ?? "")) name?.(typed);
    setTyped(null);
  };
  const open = revision === null ? {} : { cursor: "pointer", _hover: { bg: chosen ? "lit" : "paper" } };
  return (
    <Box
      role="option"
      aria-selected={chosen}
      px="4"
      py="1"
      bg={chosen ? "lit" : undefined}
      {...open}
      onClick={() => {
        if (revision !== null) choose(revision);
      }}
    >
      {entry.name !== null && typed === null && <Text fontWeight={600}>{entry.name}</Text>}
      <Flex gap="2" align="baseline">
        <Text color="quiet" fontSize="12px" w="40px" flex="none" fontVariantNumeric="tabular-nums">
          {timeOf(entry.at)}
        </Text>
        <Text
          flex="1"
          minW="0"
          truncate
          title={`${DID[entry.act]}${entry.what}`}
          color={revision === null ? "quiet" : "ink"}
        >
          {DID[entry.act]}
          {entry.what}
        </Text>
        {office && (
          <Text color="quiet" fontSize="12px" maxW="90px" truncate title={entry.author}>
            {entry.author}
          </Text>
        )}
      </Flex>
      {chosen && name && typed === null && (
        <Word
          ml="12"
          mt="0.5"
          py="0"
          px="0"
          color="snap"
          fontSize="12px"
          onClick={(event) => {
            event.stopPropagation();
            setTyped(entry.name ?? "");
          }}
        >
          {entry.name === null ? "Give this state a name" : "Another name"}
        </Word>
      )}
      {typed !== null && (
        <Input
          autoFocus
          size="2xs"
          mt="1"
          aria-label="Name of this state"
          placeholder="Such as: as agreed with the shop"
          value={typed}
          maxLength={200}
          onClick={(event) => event.stopPropagation()}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={finish}
          onKeyDown={(event) => {
            if (event.key === "Enter") finish();
            if (event.key === "Escape") setTyped(null);
          }}
        />
      )}
    </Box>
  );
}

const dayOf = (at: string) =>
  new Date(at).toLocaleDateString("en-GB", { weekday: "long", day: "numeric", month: "long", year: "numeric" });
const timeOf = (at: string) => new Date(at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
