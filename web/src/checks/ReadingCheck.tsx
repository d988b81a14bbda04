/** A reading with what is wanted of it; of one that is out, the numbers on which it hangs and what each would have to be. */
import { point, tryOut } from "../state/actions";
import { Box, Flex, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";

import { Refusal, causesOf } from "../api/client";
import type { Cause, Step } from "../api/types";
import { useDocument } from "../state/document";

import { useTable } from "../table/context";
import { Word } from "../Words";
import { showStep } from "../state/selection";
import { ReadingParts, ReadingValue } from "./ReadingRows";

const FIRST = 4;

export function ReadingCheck({ step }: { step: Step }) {
  const [asked, setAsked] = useState(false);
  const out = step.reading?.compared?.verdict === "out";
  return (
    <Box
      px="4"
      py="1.5"
      borderBottomWidth="1px"
      borderColor="rule"
      onPointerEnter={() => point(step.id)}
      onPointerLeave={() => point(null)}
    >
      <Flex gap="2" align="baseline">
        <Word ml="-1.5" py="0" fontWeight={600} title="Show it in the book" onClick={() => showStep(step)}>
          {step.name}
        </Word>
        <Text color="quiet" truncate flex="1" title={step.text}>
          {step.rows.map((r) => r.text).join(" · ")}
        </Text>
        {step.reading && <ReadingValue reading={step.reading} />}
      </Flex>
      {step.reading && <ReadingParts reading={step.reading} />}
      {step.reading && step.reading.table.length > 0 && <Table rows={step.reading.table} />}
      <Word
        ml="-1.5"
        py="0"
        fontSize="12px"
        color={out ? "snap" : "quiet"}
        aria-expanded={asked}
        onClick={() => setAsked(!asked)}
      >
        {out ? "What would put it right" : "What it hangs on"}
      </Word>
      {asked && <Causes step={step} />}
    </Box>
  );
}

/** Rows that belong to a reading: heads first, sums last. */
function Table({ rows }: { rows: readonly (readonly string[])[] }) {
  const [heads = [], ...rest] = rows;
  return (
    <Box overflowX="auto" my="1">
      <Box as="table" fontSize="10.5px" fontVariantNumeric="tabular-nums" w="100%" aria-label="Legs">
        <Box as="thead" color="quiet">
          <tr>
            {heads.map((head) => (
              <Box as="th" key={head} fontWeight={500} textAlign="right" pr="1">
                {head}
              </Box>
            ))}
          </tr>
        </Box>
        <tbody>
          {rest.map((row, n) => (
            <Box as="tr" key={row[0] ?? n} fontWeight={n === rest.length - 1 ? 600 : 400}>
              {row.map((cell, k) => (
                <Box as="td" key={heads[k]} textAlign="right" pr="1" whiteSpace="nowrap">
                  {cell}
                </Box>
              ))}
            </Box>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}

function Causes({ step }: { step: Step }) {
  const { session } = useTable();
  const revision = useDocument((d) => d.revision);
  const [causes, setCauses] = useState<readonly Cause[] | null>(null);
  const [all, setAll] = useState(false);
  const [refused, setRefused] = useState("");
  useEffect(() => {
    let live = true;
    causesOf(session.drawing, step.id).then(
      (found) => live && setCauses(found),
      (error: unknown) => live && setRefused(error instanceof Refusal ? error.message : String(error)),
    );
    return () => {
      live = false;
    };
  }, [session, step.id, revision]);
  const take = async (cause: Cause) => {
    tryOut(null);
    const answer = await session.act({ do: "mend", id: cause.step, text: cause.text });
    if (!answer.ok) setRefused(answer.message);
  };
  if (refused !== "")
    return (
      <Text role="alert" color="place">
        {refused}
      </Text>
    );
  if (causes === null) return null;
  if (causes.length === 0) return <Text color="quiet">No number that was typed moves it.</Text>;
  return (
    <Box as="ul" listStyleType="none" aria-label={`What ${step.name} hangs on`} fontSize="12px">
      {causes.slice(0, all ? undefined : FIRST).map((cause, n) => (
        <Box as="li" key={`${n} ${cause.step} ${cause.row}`} py="0.5">
          <Flex wrap="wrap" align="baseline" columnGap="1.5" onPointerEnter={() => point(cause.step)}>
            <Word
              ml="-1.5"
              py="0"
              textAlign="left"
              whiteSpace="normal"
              fontWeight={400}
              title={cause.statement}
              onClick={() => showStep({ id: cause.step })}
            >
              <b>{cause.name}</b> {cause.row.slice(0, cause.start)}
              <b>{cause.typed}</b>
              {cause.row.slice(cause.start + cause.typed.length)}
            </Word>
            {cause.becomes !== "" && (
              <Word
                py="0"
                color="snap"
                title={cause.text}
                onPointerEnter={() => tryOut(cause.shown)}
                onPointerLeave={() => tryOut(null)}
                onFocus={() => tryOut(cause.shown)}
                onBlur={() => tryOut(null)}
                onClick={() => void take(cause)}
              >
                Make it {cause.becomes}
              </Word>
            )}
            {cause.slip && <Text color="place">a slip of the hand?</Text>}
          </Flex>
          <Text color="quiet">{cause.moves}</Text>
        </Box>
      ))}
      {!all && causes.length > FIRST && (
        <Word ml="-1.5" color="quiet" onClick={() => setAll(true)}>
          {causes.length - FIRST} more
        </Word>
      )}
    </Box>
  );
}
