/** One step of the book in words; opened, it is a line to be mended. */
import { point, keepBefore } from "../state/actions";
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { memo } from "react";

import { beforeOf } from "../core/looking";
import type { Step } from "../api/types";
import { stepOf } from "../state/figures";
import { useInterface } from "../state/interface";
import { isWaiting, useWaiting } from "../session/waiting";
import { menderOf, useOthers } from "../state/others";
import { kindOf } from "../state/kinds";
import { selectNothing, selectStep, stepsOf } from "../state/selection";
import { useTable } from "../table/context";
import { Word } from "../Words";
import { StepActs } from "./StepActs";
import { Values } from "./Values";
import { ReadingParts, ReadingValue } from "../checks/ReadingRows";
import { doOrSay } from "../table/writing";

/** Between givens; where the line breaks, the dot stays behind. */
const JOINT = "\u00a0· ";

const Entry = chakra("li", {
  base: {
    display: "grid",
    gridTemplateColumns: "minmax(22px, max-content) minmax(0, 1fr)",
    gap: "2",
    position: "relative",
    px: "3",
    py: "1",
    borderBottomWidth: "1px",
    borderColor: "rule",
    cursor: "default",
    "& .acts": { opacity: 0 },
    // Whoever points at a step to read it reads it to its end: they come once the pointer is there.
    "& .acts:hover, &:focus-within .acts": { opacity: 1 },
  },
});

/** Whether a step works on figures that are there. */
function shapes(step: Step): boolean {
  const group = kindOf(step.title.toLowerCase())?.group;
  return group === "shape" || group === "carry";
}

/** What it works on is shown as it stood before, while the step is pointed at. */
async function showBefore(drawing: string, id: string): Promise<void> {
  // A step that is gone meanwhile works on nothing.
  const was = await beforeOf(drawing, id).catch(() => []);
  if (useInterface.getState().pointed === id) keepBefore(was);
}

export const StepEntry = memo(function StepEntry({ step, number }: { step: Step; number: number }) {
  const pointed = useInterface((i) => stepOf(i.pointed ?? "") === step.id);
  const selected = useInterface((i) => stepOf(i.selected ?? "") === step.id);
  const chosen = useInterface((i) => stepsOf(i.others).has(step.id));
  const mending = useInterface((i) => i.mend?.id === step.id);
  const waitsHere = useWaiting((w) => isWaiting(w.waits, step.id));
  const mender = useOthers((o) => menderOf(o.others, step.id));
  const { openLine, session } = useTable();
  const waits = step.problem !== null;
  return (
    <Entry
      data-step={step.id}
      data-chosen={selected || chosen}
      bg={selected || chosen || pointed || mending ? "lit" : undefined}
      opacity={step.hidden || step.off ? 0.6 : 1}
      onPointerEnter={() => {
        point(step.id);
        if (shapes(step)) void showBefore(session.drawing, step.id);
      }}
      onPointerLeave={() => point(null)}
      onClick={() => selectStep(step)}
      onDoubleClick={() => openLine.open(step.id)}
    >
      <Text
        color={waits ? "place" : "quiet"}
        textDecoration={waits ? "line-through" : undefined}
        textAlign="right"
        fontVariantNumeric="tabular-nums"
      >
        {number}
      </Text>
      <Box minW="0">
        <Text overflowWrap="anywhere" fontVariantNumeric="tabular-nums">
          <Title step={step} />
          {mending ? (
            <Text as="span" color="place">
              being mended below
            </Text>
          ) : (
            <Givens step={step} looked={selected} />
          )}{" "}
          {step.reading && !mending && <ReadingValue reading={step.reading} />}
        </Text>
        {waitsHere && (
          <Text color="label" fontSize="12px">
            waits here for the connection
          </Text>
        )}
        {mender !== null && (
          <Text color="other" fontSize="12px">
            {mender} is mending this
          </Text>
        )}
        <Acts step={step} />
        {step.reading && !mending && <ReadingParts reading={step.reading} />}
        {step.problem && (
          <Text color="place" mt="0.5">
            <b>waits</b>: {step.problem.message}
            {step.problem.suggested && (
              <Word
                color="place"
                textDecoration="underline"
                px="0"
                py="0"
                display="block"
                onClick={() => void doOrSay(session, { do: "mend", id: step.id, text: step.problem?.suggested ?? "" })}
              >
                use {step.problem.suggestion}
              </Word>
            )}
          </Text>
        )}
        {step.note !== "" && !mending && (
          <Text color="place" fontSize="12px">
            {step.note}
          </Text>
        )}
        {step.beside !== null && !mending && (
          <Text color="place" fontSize="12px">
            beside {step.beside}, not on it
          </Text>
        )}
        {selected && !mending && step.figure !== null && <Values step={step} />}
        {selected && !mending && <StepActs step={step} number={number} />}
        <Sums id={step.id} />
      </Box>
    </Entry>
  );
});

/** Its name, and a short stroke of the pen it is drawn with. */
function Title({ step }: { step: Step }) {
  return (
    <>
      <Text as="span" fontWeight={600} whiteSpace="nowrap" mr="2">
        {step.title} {step.name}
      </Text>
      {step.figure && <PenStroke pen={step.pen} />}
    </>
  );
}

/** What can be done with it, over the end of its first line while the pointer is there. */
function Acts({ step }: { step: Step }) {
  const { openLine, session } = useTable();
  return (
    <Flex className="acts" fontSize="12px" position="absolute" top="0.5" right="1.5" bg="lit" borderRadius="4px" pl="2">
      <Word onClick={() => openLine.open(step.id)} aria-label={`Mend ${step.name}`}>
        Mend
      </Word>
      <Word
        aria-label={`Strike ${step.name}`}
        onClick={(e) => {
          e.stopPropagation();
          selectNothing();
          point(null);
          void doOrSay(session, { do: "strike", id: step.id, others: [] });
        }}
      >
        Strike
      </Word>
    </Flex>
  );
}

/** The sums of the working, while it is shown. */
function Sums({ id }: { id: string }) {
  const working = useInterface((i) => (i.working?.step === id ? i.working.shown : null));
  if (!working) return null;
  return (
    <Box as="ul" listStyleType="none" mt="1" pl="2" borderLeftWidth="2px" borderColor="working" aria-label="Working">
      {working.sums.map((sum) => (
        <Text as="li" key={sum} color="ink" fontSize="12px" mb="0.5">
          {sum}
        </Text>
      ))}
      {working.sums.length === 0 && <Text color="quiet">It is found without compasses.</Text>}
    </Box>
  );
}

function PenStroke({ pen }: { pen: string }) {
  return (
    <Box
      as="span"
      display="inline-block"
      verticalAlign="middle"
      w="14px"
      h={pen === "ink" ? "2px" : "1px"}
      mr="2"
      bg={pen === "ink" ? "ink" : "quiet"}
      title={`in ${pen}`}
    />
  );
}

function Givens({ step, looked }: { step: Step; looked: boolean }) {
  return (
    <Text as="span" color="quiet">
      {step.rows.map((row, i) => (
        <span key={i} title={row.value === "" ? undefined : `= ${row.value}`}>
          {i > 0 && JOINT}
          {row.text}
          {row.value !== "" && !step.reading && (looked || !row.named) && <Value>{row.value}</Value>}
        </span>
      ))}
      {step.residual && (
        <Text as="span" fontSize="12px" title={`by ${step.residual.exact}`}>
          {JOINT}
          {step.residual.words}
        </Text>
      )}
    </Text>
  );
}

function Value({ children }: { children: string }) {
  return (
    <Text as="span" color="ink">
      {" "}
      = {children}
    </Text>
  );
}
