/** The history of a drawing, over the table: who did what when; a state as it was, against now or the one before; brought back. */
import { openHistory, say } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { Refusal } from "../api/client";
import { stateOf } from "../api/history";
import type { PastState } from "../api/types";
import { Picture } from "../files/parts";
import { useDocument } from "../state/document";
import { useInterface } from "../state/interface";
import { useTable } from "../table/context";
import { MainWord, Word } from "../Words";
import { Differences } from "./Differences";
import { Entries } from "./Entries";

const WAYS = [
  ["now", "Until now"],
  ["before", "What was done"],
  ["alone", "As it was"],
] as const;
type Way = (typeof WAYS)[number][0];

export function HistoryPage() {
  const open = useInterface((i) => i.history);
  return open ? <Page /> : null;
}

function Page() {
  const { session } = useTable();
  const { revision: newest, may } = useDocument();
  const [chosen, setChosen] = useState<number | null>(null);
  const [way, setWay] = useState<Way>("now");
  const [said, setSaid] = useState("");
  const { state, problem } = usePast(session.drawing, chosen, way, newest);
  const bringBack = async (revision: number) => {
    const answer = await session.act({ do: "bring_back", revision });
    if (answer.ok) {
      openHistory(false);
      say(`Back to revision ${revision}; Undo takes that back`);
    } else setSaid(answer.message);
  };
  const leave = () => openHistory(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== "Escape" || event.target instanceof HTMLInputElement) return;
      event.stopPropagation();
      leave();
    };
    window.addEventListener("keydown", onKey, true);
    return () => window.removeEventListener("keydown", onKey, true);
  }, []);
  return (
    <Flex position="absolute" inset="0" zIndex={2} bg="desk" data-own-keys role="region" aria-label="History">
      <Entries
        drawing={session.drawing}
        newest={newest}
        chosen={chosen}
        choose={(revision) => {
          setChosen(revision);
          setSaid("");
        }}
        leave={leave}
      />
      <Flex direction="column" flex="1" minW="0" minH="0">
        {chosen === null || !state ? (
          <Text m="auto" color="quiet" maxW="36ch" textAlign="center" role={problem === "" ? undefined : "alert"}>
            {problem === "" ? "Choose a line to see the drawing as it was then, and what became of it." : problem}
          </Text>
        ) : (
          <>
            <Flex
              align="center"
              gap="1"
              px="3"
              h="42px"
              flex="none"
              bg="panel"
              borderBottomWidth="1px"
              borderColor="rule"
            >
              <Flex role="radiogroup" aria-label="What is shown">
                {WAYS.map(([key, word]) => (
                  <Word
                    key={key}
                    role="radio"
                    aria-checked={way === key}
                    fontWeight={way === key ? 600 : 500}
                    color={way === key ? "ink" : "quiet"}
                    onClick={() => setWay(key)}
                  >
                    {word}
                  </Word>
                ))}
              </Flex>
              <Box flex="1" />
              {said !== "" && (
                <Text role="alert" color="place" truncate title={said}>
                  {said}
                </Text>
              )}
              {may !== "see" && (
                <MainWord py="1" disabled={chosen === newest} onClick={() => void bringBack(chosen)}>
                  Bring it back
                </MainWord>
              )}
            </Flex>
            {state.picture === "" ? (
              <Text m="auto" color="quiet">
                {state.steps === 0 ? "The drawing was empty." : "Nothing of it can be seen."}
              </Text>
            ) : (
              <Picture svg={state.picture} label={`Revision ${chosen}`} />
            )}
            {way !== "alone" && <Differences rows={state.differences} now={way === "now"} />}
          </>
        )}
      </Flex>
    </Flex>
  );
}

/** The state that is chosen, looked at in one of the ways; the last one asked for counts. */
function usePast(drawing: string, chosen: number | null, way: Way, newest: number) {
  const [state, setState] = useState<PastState | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    if (chosen === null) return;
    let here = true;
    const [at, since] =
      way === "now" ? [newest, chosen] : way === "before" && chosen > 0 ? [chosen, chosen - 1] : [chosen, null];
    stateOf(drawing, at, since).then(
      (found) => {
        if (!here) return;
        setState(found);
        setProblem("");
      },
      (error: unknown) => {
        if (!(error instanceof Refusal)) throw error;
        if (here) setProblem(error.message);
      },
    );
    return () => {
      here = false;
    };
  }, [drawing, chosen, way, newest]);
  return { state, problem };
}
