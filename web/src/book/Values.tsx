/** The values of the selected figure, to be read and changed; of one that follows from the givens it is asked which give way. */
import { tryOut } from "../state/actions";
import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { Refusal } from "../api/client";
import { valuesOf, waysToState } from "../core/looking";
import type { FigureValue, Step, Way } from "../api/types";

import { useTable } from "../table/context";
import { Word } from "../Words";

export function Values({ step }: { step: Step }) {
  const { session } = useTable();
  const [values, setValues] = useState<readonly FigureValue[]>([]);
  const [open, setOpen] = useState<FigureValue | null>(null);
  useEffect(() => {
    let live = true;
    // A value that cannot be fetched is not shown; the step itself stands as it is.
    valuesOf(session.drawing, step.id).then(
      (found) => live && setValues(found),
      () => live && setValues([]),
    );
    return () => {
      live = false;
    };
  }, [session, step]);
  if (open) return <Changing step={step} value={open} done={() => setOpen(null)} />;
  if (values.length === 0) return null;
  return (
    <Flex wrap="wrap" fontSize="12px" mt="1" ml="-1.5" role="group" aria-label={`Values of ${step.name}`}>
      {values.map((value) => (
        <Word
          key={value.word}
          fontVariantNumeric="tabular-nums"
          fontWeight={400}
          title={value.stated ? "One of its givens: click to change" : "Follows from its givens: click to state it"}
          onClick={() => setOpen(value)}
        >
          {value.word} <b>{value.shown}</b>
        </Word>
      ))}
    </Flex>
  );
}

function Changing({ step, value, done }: { step: Step; value: FigureValue; done: () => void }) {
  const { session } = useTable();
  const [typed, setTyped] = useState(String(Number(value.exact.toPrecision(12))));
  const [ways, setWays] = useState<readonly Way[]>([]);
  const [refused, setRefused] = useState("");
  const leave = () => {
    tryOut(null);
    done();
  };
  const take = async (way: Way) => {
    const answer = await session.act({ do: "mend", id: step.id, text: way.text });
    if (answer.ok) leave();
    else setRefused(answer.message);
  };
  const ask = async () => {
    if (ways[0]) return take(ways[0]);
    try {
      const found = await waysToState(session.drawing, step.id, value.word, typed);
      if (found[0]?.instead.length === 0) await take(found[0]);
      else {
        setWays(found);
        tryOut(found[0]?.figure ?? null);
      }
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      setRefused(error.message);
    }
  };
  return (
    <Box data-own-keys mt="1" fontSize="12px">
      <Flex gap="1.5" align="center">
        <Text>{value.word}</Text>
        <Input
          size="2xs"
          autoFocus
          w="110px"
          aria-label={`Another ${value.word} of ${step.name}`}
          value={typed}
          onFocus={(e) => e.target.select()}
          onChange={(e) => {
            setTyped(e.target.value);
            setWays([]);
            setRefused("");
            tryOut(null);
          }}
          onKeyDown={(e) => {
            if (e.key === "Enter") void ask();
            if (e.key === "Escape") leave();
          }}
        />
        <Word color="quiet" onClick={leave}>
          Leave
        </Word>
      </Flex>
      {ways.length > 0 && (
        <Box role="group" aria-label="Which givens give way" mt="1">
          <Text color="quiet">It follows from the givens. Which of them shall give way? Enter takes the first.</Text>
          {ways.map((way) => (
            <Word
              key={way.text}
              display="block"
              textAlign="left"
              whiteSpace="normal"
              px="0"
              onPointerEnter={() => tryOut(way.figure)}
              onFocus={() => tryOut(way.figure)}
              onClick={() => void take(way)}
            >
              {way.instead.join(", ")}
            </Word>
          ))}
        </Box>
      )}
      {refused !== "" && (
        <Text role="alert" color="place">
          {refused}
        </Text>
      )}
    </Box>
  );
}
